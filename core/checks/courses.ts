import { coursesOf, offCourse } from '../room/courses.ts'
import { defineCheck, plain, type CheckResult } from './check.ts'

/** Fixings in masonry are where their rating is for: in bricks or blocks, or in the joints between. */
export const inCourses = defineCheck({
  id: 'courses',
  reads: ['assembly', 'space'],
  run({ assembly, space }): CheckResult[] {
    const courses = coursesOf(space.construction)
    const inWall = assembly.anchors.filter((x) => x.into === 'masonry')
    if (!courses || inWall.length === 0) return []
    const off = inWall.map((x) => ({ x, mm: offCourse(courses, x.at[2]) })).filter((o) => o.mm !== 0)
    const worst = off.reduce((a, b) => (Math.abs(b.mm) > Math.abs(a.mm) ? b : a), off[0])
    return [
      plain({
        check: 'courses',
        link: 'ground',
        code: off.length > 0 ? 'off-course' : 'in-course',
        quantity: 'count',
        subject: 'wall',
        state: off.length > 0 ? 'fails' : 'holds',
        demand: off.length,
        parts: [...new Set((off.length > 0 ? off.map((o) => o.x) : inWall).map((x) => x.part))],
        data: {
          count: inWall.length,
          off: off.length,
          mm: worst ? Math.abs(worst.mm) : 0,
          up: worst && worst.mm > 0 ? 1 : 0,
          joints: courses.fixIn === 'joints' ? 1 : 0,
        },
      }),
    ]
  },
})
