import fc from 'fast-check'

// The same cases on every run and machine, as many as all tests together have time for; a failure is reported as it is
// found, in bounded time.
fc.configureGlobal({ seed: 20261124, numRuns: 70, endOnFailure: true, interruptAfterTimeLimit: 20_000 })
