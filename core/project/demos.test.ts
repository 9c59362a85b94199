import { describe, expect, it } from '@jest/globals'
import { readdirSync, readFileSync } from 'node:fs'
import { readProject } from './file.ts'
import { upgradedProject } from './upgrade.ts'

describe('the demos', () => {
  it.each(readdirSync('demo').filter((f) => f.endsWith('.tackloft.json')))(
    '%s is in the present form: it comes back out as it went in',
    (file) => {
      const r = readProject(readFileSync(`demo/${file}`, 'utf8'))
      if (!r.ok) throw new Error(file)
      expect(upgradedProject(r.project)).toBe(r.project)
    },
  )
})
