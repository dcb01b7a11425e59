import { addDays, addMonths } from '../../../core/text/index.ts'
import type { Dice } from '../../dice.ts'

/** A member of the credit union with all that their papers say. Everything is made up. */
export interface Story {
  asOf: string
  first: string
  middle: string
  last: string
  born: string
  street: string
  town: string
  phone: string
  email: string
  license: { number: string; issued: string; expires: string }
  memberNumber: string
  employer: string
  employerStreet: string
  employerTown: string
  employerId: string
  job: string
  hired: string
  /** All amounts are in cents. */
  salary: number
  vehicle: { year: number; name: string; vin: string; odometer: number; plate: string }
  dealer: string
  charges: { item: string; cents: number }[]
  down: number
  months: number
  account: { bank: string; number: string; routing: string; check: string }
  insurer: string
  policy: string
  coverages: { coverage: string; limit: string; cents: number }[]
  otherLender: string
  payoff: { number: string; cents: number; perDiem: number; dated: string; until: string }
  title: { number: string; issued: string }
  beneficiaries: { name: string; relationship: string; share: number }[]
  deposit: number
}

const FIRST = [
  'Dolores',
  'Wendell',
  'Marisol',
  'Everett',
  'Tamsin',
  'Ignacio',
  'Lorna',
  'Curtis',
  'Beatriz',
  'Alton',
  'Phoebe',
  'Ramiro',
]
const MIDDLE = ['Jean', 'Luis', 'Ray', 'Mae', 'Kent', 'Rosa', 'Dale', 'Inez']
const LAST = [
  'Quintana',
  'Harbaugh',
  'Pruett',
  'Escalante',
  'Whitlow',
  'Baca',
  'Sorrell',
  'Tafoya',
  'Lindqvist',
  'Okafor',
  'Maddox',
  'Vigil',
]
const STREETS = [
  'Juniper Ln',
  'Cottonwood Dr',
  'Mesa Verde Ave',
  'Old Mill Rd',
  'Piñon Ct',
  'N 4th St',
  'Sagebrush Blvd',
  'County Road 12',
  'Arroyo Seco Way',
  'Calle del Norte',
]
const TOWNS = [
  'Tarrow, NM 87991',
  'Quillan Springs, NM 87993',
  'Low Mesa, NM 87996',
  'Harrow Ford, CO 81599',
  'Bent Fork, TX 79899',
]
const EMPLOYERS = [
  'Tarrow Valley Hospital',
  'Red Bluff Aggregates Inc.',
  'Quillan Springs School District',
  'Mesa Line Trucking LLC',
  'Bent Fork Dairy Co.',
  'Sandoval & Pruett Roofing, Inc.',
  'High Desert Solar Corp.',
  'Low Mesa Grocers LLC',
]
const JOBS = [
  'Respiratory Therapist',
  'Crew Foreman',
  'Bus Driver',
  'Dispatcher',
  'Lab Technician',
  'Warehouse Supervisor',
  'Line Cook',
  'Office Manager',
]
const VEHICLES = [
  'Corvane Ridge LX',
  'Halden Trekker 4x4',
  'Sorrento Bay GT',
  'Mirada Coupe SE',
  'Tolvan Hauler 1500',
  'Brisco Estate Wagon',
]
const DEALERS = [
  'Low Mesa Motors',
  'Quillan Auto Plaza, Inc.',
  'Harrow Ford Pre-Owned LLC',
  'Tarrow Truck & Auto',
]
const BANKS = [
  'First Prairie Bank, N.A.',
  'Tarrow Valley Credit Union',
  'Bent Fork State Bank',
  'Sagebrush Federal Credit Union',
]
const INSURERS = [
  'Wagon Wheel Mutual Insurance Company',
  'Copper State Casualty Co.',
  'Lantern Auto Insurance Company',
]
const LENDERS = ['Northgate Auto Finance LLC', 'Bent Fork State Bank', 'Palisade Consumer Credit Corp.']
const EXTRAS: readonly (readonly [string, number, number])[] = [
  ['Documentation fee', 9900, 39900],
  ['Title and registration', 6500, 14500],
  ['Service contract', 89900, 219900],
  ['All-weather floor mats', 12900, 28900],
  ['Tow package', 39900, 89900],
  ['State excise tax', 45000, 120000],
  ['Paint protection', 29900, 69900],
]
const COVERAGES: readonly (readonly [string, readonly string[], number, number])[] = [
  ['Bodily injury liability', ['$50,000/$100,000', '$100,000/$300,000'], 11000, 29000],
  ['Property damage liability', ['$25,000', '$50,000'], 7000, 19000],
  ['Uninsured motorist', ['$50,000/$100,000', '$25,000/$50,000'], 3000, 9000],
  ['Medical payments', ['$5,000', '$10,000'], 1500, 4500],
  ['Comprehensive', ['$500 deductible', '$250 deductible'], 6000, 14000],
  ['Collision', ['$500 deductible', '$1,000 deductible'], 14000, 42000],
  ['Rental reimbursement', ['$40 per day', '$30 per day'], 1200, 3600],
]

/** A routing number whose check digit holds (weights 3, 7, 1). Source: ABA Routing Number Policy. */
function routingNumber(dice: Dice): string {
  const figures = `${dice.pick(['10', '11', '30', '32'])}${dice.digits(6)}`
  const sum = [...figures].reduce((total, f, i) => total + Number(f) * [3, 7, 1][i % 3], 0)
  return figures + String((10 - (sum % 10)) % 10)
}

const VIN_SIGNS = 'ABCDEFGHJKLMNPRSTUVWXYZ0123456789'

/** Throws the dice for a member. */
export function makeStory(dice: Dice, asOf: string): Story {
  const last = dice.pick(LAST)
  const first = dice.pick(FIRST)
  const salary = dice.int(34, 98) * 100000
  const price = dice.int(9, 46) * 100000 + dice.pick([0, 50000, 99500])
  const extras = dice.shuffle(EXTRAS).slice(0, dice.int(2, 5))
  const charges = [
    { item: 'Vehicle price', cents: price },
    ...extras.map(([item, low, high]) => ({ item, cents: dice.int(low, high) })),
  ]
  const paidSince = dice.int(2, 20)
  return {
    asOf,
    first,
    middle: dice.pick(MIDDLE),
    last,
    born: addDays(addMonths(asOf, -12 * dice.int(21, 66)), -dice.int(1, 360)),
    street: `${dice.int(101, 9899)} ${dice.pick(STREETS)}${dice.chance(0.25) ? ` Apt ${dice.int(1, 28)}` : ''}`,
    town: dice.pick(TOWNS),
    phone: `(${dice.pick(['505', '719', '432'])}) 555-01${dice.digits(2)}`,
    email: `${first}.${last}@desertpost.example`
      .toLowerCase()
      .normalize('NFD')
      .replace(/[\u0300-\u036f]/g, ''),
    license: {
      number: dice.digits(9),
      issued: addDays(addMonths(asOf, -dice.int(8, 40)), -dice.int(0, 28)),
      expires: addDays(addMonths(asOf, dice.int(5, 50)), dice.int(0, 28)),
    },
    memberNumber: dice.digits(7),
    employer: dice.pick(EMPLOYERS),
    employerStreet: `${dice.int(100, 4800)} ${dice.pick(STREETS)}`,
    employerTown: dice.pick(TOWNS),
    employerId: `${dice.int(10, 98)}-${dice.digits(7)}`,
    job: dice.pick(JOBS),
    hired: addDays(addMonths(asOf, -dice.int(14, 160)), -dice.int(0, 25)),
    salary,
    vehicle: {
      year: dice.int(2017, 2026),
      name: dice.pick(VEHICLES),
      vin: Array.from({ length: 17 }, (_, i) => (i > 10 ? dice.digits(1) : dice.pick([...VIN_SIGNS]))).join(
        '',
      ),
      odometer: dice.int(1200, 128000),
      plate: `${dice.pick(['KTR', 'BNM', 'AQX'])}-${dice.digits(3)}`,
    },
    dealer: dice.pick(DEALERS),
    charges,
    down: dice.int(5, 40) * 10000,
    months: dice.pick([36, 48, 60, 66, 72]),
    account: {
      bank: dice.pick(BANKS),
      number: dice.digits(dice.pick([8, 10, 12])),
      routing: routingNumber(dice),
      check: String(dice.int(101, 2890)),
    },
    insurer: dice.pick(INSURERS),
    policy: `${dice.pick(['PA', 'AUT', 'WW'])}-${dice.digits(8)}`,
    coverages: dice
      .shuffle(COVERAGES)
      .slice(0, dice.int(4, 7))
      .map(([coverage, limits, low, high]) => ({
        coverage,
        limit: dice.pick(limits),
        cents: dice.int(low, high),
      })),
    otherLender: dice.pick(LENDERS),
    payoff: {
      number: dice.digits(10),
      cents: dice.int(210000, 1890000),
      perDiem: dice.int(90, 620),
      dated: addDays(asOf, -paidSince),
      until: addDays(asOf, dice.int(4, 12)),
    },
    title: {
      number: `${dice.digits(4)}${dice.digits(4)}${dice.pick(['A', 'K', 'T'])}`,
      issued: addDays(asOf, -dice.int(200, 1900)),
    },
    beneficiaries: [
      {
        name: `${dice.pick(FIRST)} ${last}`,
        relationship: dice.pick(['Spouse', 'Sister', 'Mother']),
        share: 60,
      },
      {
        name: `${dice.pick(FIRST)} ${dice.pick(LAST)}`,
        relationship: dice.pick(['Son', 'Daughter', 'Brother']),
        share: 40,
      },
    ],
    deposit: dice.pick([2500, 10000, 25000, 50000]),
  }
}

export const nameOf = (s: Story): string => `${s.first} ${s.middle[0]}. ${s.last}`
export const fullNameOf = (s: Story): string => `${s.first} ${s.middle} ${s.last}`
export const addressOf = (s: Story): string => `${s.street}, ${s.town}`
export const totalOf = (s: Story): number => s.charges.reduce((sum, c) => sum + c.cents, 0)
