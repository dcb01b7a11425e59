import { csvOf, type DemoDesk, type DemoPackage } from '../../desk.ts'
import { Dice } from '../../dice.ts'
import { photographs } from '../../scan.ts'
import { tarrowValley } from './index.ts'
import { makePackage, type PackageWishes } from './package.ts'
import { addressOf, fullNameOf, makeStory } from './story.ts'

/** How a package was brought. */
interface Wished extends Omit<DemoPackage, 'files' | 'program'> {
  file: string
  wishes: Omit<PackageWishes, 'asOf'>
  /** Its pages were photographed at home, each a picture. */
  photographed?: boolean
}

const WISHED: readonly Wished[] = [
  {
    caseNumber: 'TVC-26-007301',
    hoursOld: 31,
    file: 'loan-papers.pdf',
    wishes: {
      seed: 730_101,
      program: 'vehicle-loan',
      layouts: 'unseen',
      mishaps: ['other_vin', 'missing_insurance'],
      clutter: true,
    },
  },
  {
    caseNumber: 'TVC-26-007302',
    hoursOld: 9,
    file: 'branch-scanner.pdf',
    wishes: {
      seed: 730_202,
      program: 'vehicle-loan',
      layouts: 'seen',
      scan: 'light',
      mishaps: ['expired_license', 'order_wrong'],
      clutter: true,
    },
  },
  {
    caseNumber: 'TVC-26-007303',
    hoursOld: 5,
    file: 'photo',
    photographed: true,
    wishes: { seed: 730_303, program: 'share-account', layouts: 'seen', mishaps: ['other_birth'] },
  },
  {
    caseNumber: 'TVC-26-007304',
    hoursOld: 3,
    file: 'solicitud-y-papeles.pdf',
    wishes: {
      seed: 730_404,
      program: 'vehicle-loan',
      layouts: 'seen',
      language: 'es',
      mishaps: ['old_payoff'],
    },
  },
]

const drawn = ({ file, wishes, photographed, ...given }: Wished): DemoPackage => ({
  ...given,
  program: wishes.program,
  files: async (asOf) => {
    const { bytes } = await makePackage({ ...wishes, asOf })
    if (!photographed) return [{ name: file, bytes }]
    const pictures = await photographs(bytes, new Dice(wishes.seed))
    return pictures.map((picture, i) => ({ name: `${file}-${i + 1}.jpg`, bytes: picture }))
  },
})

/** Days as a spreadsheet of the country writes them. */
const day = (iso: string): string => `${iso.slice(5, 7)}/${iso.slice(8)}/${iso.slice(0, 4)}`

/** Tarrow Valley's desk. */
export const tarrowValleyDesk: DemoDesk = {
  id: 'tarrow-valley',
  casePrefix: 'TVC',
  device: null,
  mail: 'papers@tarrowvalley.example',
  set: tarrowValley,
  people: [
    { name: 'Yolanda Baca', email: 'yolanda@tarrowvalley.example', role: 'processor' },
    { name: 'Grant Whitlow', email: 'grant@tarrowvalley.example', role: 'reviewer' },
    { name: 'Nettie Sorrell', email: 'nettie@tarrowvalley.example', role: 'lead' },
    { name: 'Hollis Pruett', email: 'hollis@tarrowvalley.example', role: 'administrator' },
  ],
  receivers: [],
  packages: WISHED.map(drawn),
  registers: (asOf) => {
    const stories = [
      ...WISHED.map((p) => p.wishes.seed),
      ...Array.from({ length: 40 }, (_, i) => 800_000 + i),
    ].map((seed) => makeStory(new Dice(seed), asOf))
    return {
      members: csvOf(
        ['Member number', 'Name', 'Date of birth', 'Address', 'License number'],
        stories.map((s) => [s.memberNumber, fullNameOf(s), day(s.born), addressOf(s), s.license.number]),
      ),
      vehicles: csvOf(
        ['VIN', 'Vehicle', 'Lienholder'],
        stories.map((s) => [s.vehicle.vin, `${s.vehicle.year} ${s.vehicle.name}`, s.otherLender]),
      ),
      employers: csvOf(
        ['Name'],
        [...new Set(stories.map((s) => s.employer))].map((name) => [name]),
      ),
    }
  },
}
