import type { TypeData } from './type-data.ts'
import { VESSEL } from './wordings.ts'

export const fishingLicence: TypeData = {
  id: 'fishing_licence',
  title: 'Fishing licence',
  short: 'Licence',
  pages: { min: 1, max: 1 },
  titles: ['fishing licence', 'commercial fishing licence', 'licence to fish', 'sea fishing licence', 'fishing permit', 'fishing vessel licence', 'shellfish licence', 'commercial fishing permit', 'commercial licence', 'licence for commercial fishing', 'fishery licence', 'licence for sea fishing', 'fishing license', 'sea fisheries licence', 'licence to take fish for sale'],
  signs: [
    { words: 'licence holder', weight: 2.5 }, { words: 'licence number', weight: 2 }, { words: 'licence no', weight: 2 }, { words: 'licensed', weight: 1.2 }, { words: 'species', weight: 1.8 }, { words: 'quota', weight: 1.8 }, { words: 'gear permitted', weight: 1.5 }, { words: 'fisheries', weight: 2 }, { words: 'fishery', weight: 1.5 }, { words: 'licence', weight: 1.2 }, { words: 'catch', weight: 1 }, { words: 'pots', weight: 0.8 }, { words: 'area', weight: 0.4 }, { words: 'permitted', weight: 0.8 }, { words: 'landings', weight: 0.8 }, { words: 'lobster', weight: 0.8 }, { words: 'fishing', weight: 1 },
  ],
  person: 'holder_name',
  fields: [
    { name: 'licence_number', title: 'Licence number', kind: 'id', labels: ['licence number', 'licence no', 'number of licence', 'license number', 'permit number', 'permit no', 'fishing licence no', 'licence ref', 'number', 'no', 'licence', 'licence reference', 'lic no', 'entitlement number'] },
    { name: 'holder_name', title: 'Holder', kind: 'name', labels: ['licence holder', 'holder', 'name of holder', 'holder of licence', 'holder of the licence', 'issued to', 'name', 'granted to', 'licensee', 'name of licensee', 'permit holder', 'skipper', 'in favour of', 'name of licence holder', 'given to', 'is granted to', 'licensed person'] },
    { name: 'vessel_name', title: 'Vessel', kind: 'text', labels: [...VESSEL, 'licensed vessel', 'vessel licensed', 'fishing vessel', 'for the vessel', 'fishing boat', 'to fish from', 'the vessel known as', 'm.v.', 'mv'] },
    { name: 'valid_from', title: 'Valid from', kind: 'date', sources: ['period'], labels: ['valid from', 'from', 'start date', 'commences', 'in force from', 'effective from', 'begins', 'validity', 'period of validity', 'date of issue', 'period', 'period of licence', 'licence period', 'starts', 'valid', 'takes effect', 'granted from', 'start', 'term of licence', 'comes into force on', 'comes into force', 'takes effect on'] },
    { name: 'valid_until', title: 'Valid until', kind: 'date', sources: ['period'], labels: ['valid until', 'valid to', 'until', 'to', 'expires', 'expiry date', 'expiry', 'end date', 'in force until', 'ends', 'validity', 'period of validity', 'period', 'period of licence', 'licence period', 'valid', 'expires on', 'granted until', 'end', 'term of licence', 'runs out on', 'ceases', 'ceases to have effect on', 'ceases to have effect', 'lapses on'] },
  ],
  relations: [{ kind: 'not_after', first: 'valid_from', second: 'valid_until' }],
}
