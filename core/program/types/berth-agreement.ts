import type { TypeData } from './type-data.ts'
import { SIGNATURE, VESSEL } from './wordings.ts'

export const berthAgreement: TypeData = {
  id: 'berth_agreement',
  title: 'Berth agreement',
  short: 'Berth',
  pages: { min: 1, max: 8 },
  titles: ['berth agreement', 'berthing agreement', 'mooring agreement', 'berth contract', 'mooring contract', 'harbour berth agreement', 'agreement for a berth', 'berth licence', 'berth rental agreement', 'contract for a berth', 'annual berth agreement', 'agreement on a berth', 'harbour agreement', 'berth lease', 'terms of berthing', 'licence to berth a vessel', 'annual mooring agreement'],
  signs: [
    { words: 'berth', weight: 2 }, { words: 'berth holder', weight: 2.5 }, { words: 'harbour master', weight: 1.5 }, { words: 'harbour dues', weight: 1.5 }, { words: 'mooring', weight: 1.8 }, { words: 'pontoon', weight: 1.5 }, { words: 'annual fee', weight: 1.5 }, { words: 'berth fee', weight: 1.8 }, { words: 'quay', weight: 0.8 }, { words: 'the harbour', weight: 1 }, { words: 'termination', weight: 0.8 }, { words: 'the parties', weight: 1 }, { words: 'agreement', weight: 0.8 }, { words: 'the holder', weight: 0.8 }, { words: 'shore power', weight: 1 }, { words: 'berth number', weight: 1.5 }, { words: 'clause', weight: 0.6 },
  ],
  lastSigns: ['for the harbour', 'signed by the berth holder', 'in witness whereof', 'signature of berth holder', 'signed for the harbour'],
  person: 'berth_holder',
  signature: { labels: ['signature of berth holder', "berth holder's signature", 'berth holder', 'signed by the berth holder', 'the berth holder', 'holder', 'for the harbour', 'harbour master', ...SIGNATURE, 'signed by the licensee', 'customer’s signature', 'licensee'] },
  fields: [
    { name: 'berth_holder', title: 'Berth holder', kind: 'name', labels: ['berth holder', 'name of berth holder', 'holder', 'holder of the berth', 'the berth holder', 'tenant', 'name of holder', 'berth let to', 'customer', 'name', 'boat owner', 'owner', 'hirer', 'licensee', 'mooring holder', 'berth taken by', 'and', 'name of owner'] },
    { name: 'harbour_name', title: 'Harbour', kind: 'org', sources: ['letterhead'], labels: ['harbour', 'name of harbour', 'harbour name', 'the harbour', 'harbour authority', 'made between', 'harbour company', 'licensor', 'port authority', 'harbour operator'] },
    { name: 'vessel_name', title: 'Vessel', kind: 'text', labels: [...VESSEL, 'berth for', 'vessel to be berthed', 'for the vessel', 'the vessel known as', 'm.v.', 'mv'] },
    { name: 'start_date', title: 'From', kind: 'date', sources: ['period'], labels: ['start date', 'from', 'start', 'start of agreement', 'commencement', 'commencement date', 'begins', 'begins on', 'term', 'period', 'period of agreement', 'in force from', 'term of agreement', 'starts', 'starts on', 'first day', 'berth from', 'effective from', 'duration', 'agreement period', 'agreement starts', 'commencing', 'valid from', 'period of berthing', 'period from', 'beginning'] },
    { name: 'end_date', title: 'To', kind: 'date', sources: ['period'], labels: ['end date', 'to', 'until', 'end', 'end of agreement', 'ends', 'ends on', 'term', 'period', 'period of agreement', 'in force until', 'expiry', 'expiry date', 'term of agreement', 'last day', 'berth until', 'expires', 'duration', 'agreement period', 'agreement ends', 'expiring', 'valid until', 'period of berthing', 'terminating', 'period to', 'ending'] },
    { name: 'annual_fee', title: 'Annual fee', kind: 'money', labels: ['annual fee', 'yearly fee', 'berth fee', 'annual berth fee', 'fee per year', 'annual charge', 'yearly charge', 'fee', 'annual rent', 'berthing fee', 'fee for the year', 'harbour fee', 'mooring fee', 'annual mooring fee', 'rent per year', 'yearly rent', 'price per year', 'annual dues', 'amount per year', 'berthing charge', 'berthing fee (annual)', 'yearly rate', 'charge per annum', 'annual payment', 'annual payment of', 'charges', 'shall pay', 'the rent is', 'pays an annual'] },
  ],
  relations: [{ kind: 'not_after', first: 'start_date', second: 'end_date' }],
}
