import { usualThing } from './find-usual.ts'

/*
 * Which equipment wants an outlet where it is kept: what runs there. What is wheeled out or carried to its work, and
 * furniture, wants none. Product decision, to start from.
 */

const RUN_WHERE_KEPT = new Set(
  `chest freezer; upright freezer; refrigerator; small refrigerator; washing machine; tumble dryer; dehumidifier;
  air conditioner; fan heater; microwave oven; printer; treadmill; table saw; band saw; drill press; benchtop planer;
  jointer; mitre saw; small lathe; dust extractor; air compressor; welder; bench grinder; tile saw; router table;
  scroll saw; bench sander; kiln; pottery wheel`
    .split(';')
    .map((x) => x.trim()),
)

/** Whether a machine of that name is plugged in where it is kept; one that nobody knows is taken to be. */
export function isPluggedIn(name: string): boolean {
  const usual = usualThing(name)
  return !usual || RUN_WHERE_KEPT.has(usual.name)
}
