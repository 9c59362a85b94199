import { coursesOf, offCourse } from '../room/courses.ts'
import { defineCheck, plain, type CheckResult } from './check.ts'

/** Fixings in masonry are where their rating is for: in bricks or blocks, or in the joints between. */
export const inCourses = defineCheck({
  id: 'courses',
  reads: ['assembly', 'space'],
  run({ assembly, space }): CheckResult[] {
    const inWall = assembly.anchors.flatMap((x) => {
      const wall = x.side ? space.sides?.[x.side]?.construction : space.construction
      const courses = x.into === 'masonry' && wall ? coursesOf(wall) : null
      return courses ? [{ x, courses, mm: offCourse(courses, x.at[2]) }] : []
    })
    if (inWall.length === 0) return []
    const off = inWall.filter((o) => o.mm !== 0)
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
        parts: [...new Set((off.length > 0 ? off : inWall).map((o) => o.x.part))],
        data: {
          count: inWall.length,
          off: off.length,
          mm: worst ? Math.abs(worst.mm) : 0,
          up: worst && worst.mm > 0 ? 1 : 0,
          joints: (worst ?? inWall[0]).courses.fixIn === 'joints' ? 1 : 0,
        },
      }),
    ]
  },
})
