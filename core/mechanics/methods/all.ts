import { asd } from './asd.ts'
import { ec5 } from './ec5.ts'
import type { DesignMethod } from './method.ts'

export const METHODS: Record<DesignMethod['id'], DesignMethod> = { asd, ec5 }
