import { describe, expect, it } from '@jest/globals'
import { usualCare } from './usual-care.ts'

describe('what a name tells of what can hurt', () => {
  it.each([
    [
      'aerosol',
      'fuel can',
      'Petrol can',
      'gas can',
      'gas cans',
      'jerry can',
      'can of spray',
      'spray cans',
      'bug spray',
    ],
    [
      'aerosol',
      'paint thinner',
      'box of solvents',
      'wood stain',
      'tins of varnish',
      'bottle of white spirit',
      'lubricant',
    ],
    ['gas', 'bottle of gas', 'propane', 'propane tank', 'gas cylinders', 'camping gas'],
    [
      'liquid',
      'tin of paint',
      'paint',
      'large tin of paint',
      'paint cans',
      'can of red paint',
      'gallon of paint',
      'primer',
    ],
    [
      'liquid',
      'motor oil',
      'drum of oil',
      'oil drum',
      'jug of cleaner',
      'bleach',
      'bottle of brake fluid',
      'wood glue',
    ],
    ['liquid', 'tin of paint, white', 'paint (bathroom)'],
    ['charging', 'battery charger', 'chargers', 'box of chargers'],
  ])('%s', (care, ...names) => {
    expect(names.map((n) => [n, usualCare(n)])).toEqual(names.map((n) => [n, [care]]))
  })
  it('nothing of what is only used with it, or is called like it', () => {
    const names = [
      ...['paint brush', 'box of paint brushes', 'paint sprayer', 'paint mixer', 'glue gun', 'oil filter', 'gas grill'],
      ...['propane heater', 'spray gun', 'stain remover', 'bucket', 'pail', 'fire extinguisher', 'jar', 'toolbox'],
      ...[
        'fuel pump',
        'box of clothes',
        'painting',
        'oil painting',
        'water bottles',
        'drum of water',
        'car battery',
        '',
      ],
    ]
    expect(names.filter((n) => usualCare(n).length > 0)).toEqual([])
  })
})
