import { testFamily } from '../../test-support/family-contract.ts'
import { allFamilies } from './registry.ts'

for (const family of allFamilies()) testFamily(family)
