import type { Dice } from './dice.ts'

/** People, places and firms of the Skerrow Isles. All invented. */

const GIVEN = [
  'Ottilie',
  'Bram',
  'Isolde',
  'Torquil',
  'Maren',
  'Eskil',
  'Fenella',
  'Ruaridh',
  'Linnea',
  'Casper',
  'Greta',
  'Hamish',
  'Sunniva',
  'Piers',
  'Mirren',
  'Anselm',
  'Elspeth',
  'Joren',
  'Tamsin',
  'Corin',
  'Astrid',
  'Magnus',
  'Wilma',
  'Dougal',
  'Sigrid',
  'Ewan',
  'Rosalind',
  'Leif',
  'Nerys',
  'Osric',
  'Zélie',
  'Björn',
  'Marguerite',
  'Íñigo',
  'Hélène',
  'Rafael',
]
const MIDDLE = [
  'Jane',
  'Erik',
  'Rose',
  'Alasdair',
  'Maud',
  'Finn',
  'Ingrid',
  'Neil',
  'Beth',
  'Olav',
  'Clare',
  'Roy',
]
const FAMILY = [
  'Varnham',
  'Teasdale',
  'Holmgren',
  'Drewitt',
  'Skarsen',
  'Penhallow',
  'Maccrae',
  'Orrinsay',
  'Brandreth',
  'Tulloch',
  'Haldane',
  'Ravensby',
  'Quillfeather',
  'Stenhouse',
  'Lindqvist',
  'Carrow',
  'Mossman',
  'Eddowes',
  'Fairweather',
  'Thorne',
  'Garvie',
  'Northcott',
  'Sundberg',
  'Pettigrew',
  'Ashgrove',
  'Wickham',
  'Lorimer',
  'Dunbarrow',
  'Kestrelle',
  'Oakshott',
  'Núñez',
  'Lefèvre',
  'Ødegaard',
  'Müller',
]
const TOWNS: readonly (readonly [town: string, code: string])[] = [
  ['Port Ellery', 'SK4 2QD'],
  ['Gannet Bay', 'SK7 1AB'],
  ['Saltholm', 'SK2 9LP'],
  ['Inverkell', 'SK5 6RT'],
  ['Merrow', 'SK1 1MS'],
  ['Tarnwick', 'SK8 3HN'],
  ['Cullen Point', 'SK6 4WE'],
  ['Oyster Haven', 'SK3 7DG'],
  ['Brackwater', 'SK9 5KU'],
]
const STREETS = [
  'Gannet Row',
  'Harbour Road',
  'Lighthouse Lane',
  'Netmakers Close',
  'Tide Street',
  'Cooper Street',
  'Kelp Terrace',
  'Pilot Hill',
  'Beacon Road',
  'Anchor Court',
  'Fulmar Avenue',
  'Old Quay',
  'Ropewalk Lane',
  'Chandlers Square',
  'Shearwater Road',
  'Mackerel Place',
]
const FIRMS = [
  'Petrel Slipways',
  'Cormorant Slipway',
  'Skerrow Shellfish',
  'Tern Island Ferries',
  'Brackwater Nets',
  'Saltholm Ice',
  'Inverkell Canning',
  'Lodestar Pilots',
  'Tarnwick Timber',
  'Merrow Ropeworks',
  'Gannet Bay Divers',
  'Ellery Harbour Services',
  'Northlight Hatcheries',
  'Kittiwake Marine Stores',
  'Fathom & Daughters',
]
const BANKS = [
  'Bank of Skerrow',
  'Isles Savings Bank',
  'Port Ellery Trading Bank',
  'Lantern Bank',
  'Tidewater Bank',
  'Harbour Union Bank',
]
const UTILITIES = [
  'Skerrow Tidal Power',
  'Isles Water',
  'Kelpnet Broadband',
  'Merrow Electric',
  'Northern Isles Energy',
  'Brightwell Water Services',
  'Saltholm Light and Power',
  'Puffin Telecom',
]
const YARDS = [
  'Inverkell Boatyard',
  'Haldane & Sons Boatbuilders',
  'Saltholm Marine',
  'Oyster Haven Yard',
  'Tarnwick Boats',
  'Fairwind Craft',
  'Brackwater Boatworks',
  'Lorimer Shipwrights',
]
const INSURERS = [
  'Keel Mutual Insurance',
  'Skerrow Marine Assurance',
  'Breakwater Underwriters',
  'Northlight Marine Insurance',
  'Anchorage Insurance Society',
  'Storm Petrel Assurance',
]
const VESSELS = [
  'Silver Darling',
  'Morning Tern',
  'Kittiwake',
  'Grey Seal',
  'Sea Thrift',
  'Bright Water',
  'Northern Diver',
  'Pole Star',
  'Eider Duck',
  'Guiding Light',
  'Samphire',
  'Wave Dancer',
  'Lucky Herring',
  'Fair Isabel',
  'Ocean Lily',
  'Stormcock',
]
const SUFFIX = ['Ltd', 'Limited', 'Co.', 'Ltd', 'Ltd', 'PLC']

export interface Person {
  given: string
  middle: string
  family: string
  born: string
  nationalNumber: string
  email: string
  phone: string
  cardNumber: string
}

export interface Address {
  number: number
  street: string
  town: string
  code: string
}

export const fullName = (p: Person): string => `${p.given} ${p.family}`
export const addressLine = (a: Address): string => `${a.number} ${a.street}, ${a.town} ${a.code}`

const ascii = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/[^A-Z]/gi, '')
    .toLowerCase()

export function makePerson(dice: Dice): Person {
  const given = dice.pick(GIVEN)
  const family = dice.pick(FAMILY)
  const born = `${dice.int(1958, 2001)}-${String(dice.int(1, 12)).padStart(2, '0')}-${String(dice.int(1, 28)).padStart(2, '0')}`
  return {
    given,
    family,
    born,
    middle: dice.pick(MIDDLE),
    nationalNumber: `${born.slice(8)}${born.slice(5, 7)}${born.slice(2, 4)}-${dice.digits(4)}`,
    email: `${ascii(given)}.${ascii(family)}@${dice.pick(['kelpnet.example', 'skerrowmail.example', 'islepost.example'])}`,
    phone: `+44 ${dice.int(1500, 1999)} ${dice.digits(3)} ${dice.digits(3)}`,
    cardNumber: `${dice.pick(['SK', 'UT', 'MS'])}${dice.digits(7)}`,
  }
}

export function makeAddress(dice: Dice): Address {
  const [town, code] = dice.pick(TOWNS)
  return { number: dice.int(1, 118), street: dice.pick(STREETS), town, code }
}

export const makeFirm = (dice: Dice): string => `${dice.pick(FIRMS)} ${dice.pick(SUFFIX)}`
export const makeBank = (dice: Dice): string => dice.pick(BANKS)
export const makeUtility = (dice: Dice): string => dice.pick(UTILITIES)
export const makeYard = (dice: Dice): string => `${dice.pick(YARDS)} ${dice.pick(['Ltd', 'Limited', 'Co.'])}`
export const makeInsurer = (dice: Dice): string => dice.pick(INSURERS)
export const makeVessel = (dice: Dice): string => dice.pick(VESSELS)

/** An Irish-form IBAN of an invented bank whose check digits hold (ISO 13616). */
export function makeIban(dice: Dice): string {
  const account = `${dice.pick(['SKRW', 'ISSB', 'LNTN', 'TDWB'])}${dice.digits(14)}`
  const turned = [...`${account}IE00`].map((c) => String(parseInt(c, 36))).join('')
  const check = 98n - (BigInt(turned) % 97n)
  return `IE${String(check).padStart(2, '0')}${account}`
}
