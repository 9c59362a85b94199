import fc from 'fast-check'

// The same cases on every run and machine; a failure is reported as it is found, in bounded time.
fc.configureGlobal({ seed: 20261124, endOnFailure: true, interruptAfterTimeLimit: 20_000 })
