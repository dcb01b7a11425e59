import { workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../testing/page-of.ts'
import { paperOf } from '../testing/paper-of.ts'
import { boxAround } from '../model/geometry.ts'
import { mayGoOn, readNamesWhole } from './whole-names.ts'

const place = (page: ReturnType<typeof pageOf>, ...texts: string[]) =>
  boxAround(page.words.filter((w) => texts.includes(w.text)).map((w) => w.box))

/** What a paper says once the others are heard, of which some words were read. */
function whole(line: string, read: string[], field: string, type: string, others: string[]) {
  const page = { ...pageOf([line]), number: 9 }
  const paper = paperOf('this', type, { [field]: read.join(' ') }, { pages: [9] })
  const placed = {
    ...paper,
    fields: paper.fields.map((f) => (f.name === field ? { ...f, page: 9, box: place(page, ...read) } : f)),
  }
  const told = others.map((name, i) => paperOf(`other ${i}`, type, { [field]: name }))
  return readNamesWhole([...told, placed], workingBoatLoan, new Map([[9, page]]))
    .at(-1)!
    .fields.find((f) => f.name === field)!.value
}
const name = (line: string, read: string[], ...others: string[]) =>
  whole(line, read, 'employee_name', 'payslip', others)
const firm = (line: string, read: string[], ...others: string[]) =>
  whole(line, read, 'employer_name', 'payslip', others)

describe('a name of which half was read', () => {
  test('is read whole where another paper knows the words beside it', () => {
    expect(
      name(
        'Employee Kirsten Isla Lindqvarn 62',
        ['Kirsten', 'Isla'],
        'K. Lindqvarn',
        'Kirsten Isla Lindqvarn',
      ),
    ).toBe('Kirsten Isla Lindqvarn')
    expect(name('Employee Gwenaël Yves Le Corvec', ['Yves', 'Le', 'Corvec'], 'Gwenaël Yves Le Corvec')).toBe(
      'Gwenaël Yves Le Corvec',
    )
    expect(name('Solveig Brekkestad née Ruud', ['Solveig', 'Brekkestad'], 'Solveig Ruud Brekkestad')).toBe(
      'Solveig Brekkestad née Ruud',
    )
  })
  test('stays as it is where nobody says more, or the words beside it are no part of the name', () => {
    expect(name('Kirsten Lindqvarn Wages', ['Kirsten', 'Lindqvarn'], 'Kirsten Isla Lindqvarn')).toBe(
      'Kirsten Lindqvarn',
    )
    expect(name('Kirsten Isla Lindqvarn', ['Kirsten', 'Isla'], 'Owen Pendrigg')).toBe('Kirsten Isla')
  })
  test('is not confirmed where more of it may follow', () => {
    const page = pageOf(['Solveig Brekkestad née Ruud', 'Kirsten Isla | Payroll 62'])
    expect(mayGoOn(page, place(page, 'Solveig', 'Brekkestad'))).toBe(true)
    expect(mayGoOn(page, place(page, 'Kirsten', 'Isla'))).toBe(false)
  })
})
describe('words that are no part of a name', () => {
  test('go where two papers have the firm without them, and small ones before a person', () => {
    const oyster = 'Estervoe Oyster Company Ltd'
    expect(
      firm(
        'COPY Estervoe Oyster Company Ltd',
        ['COPY', 'Estervoe', 'Oyster', 'Company', 'Ltd'],
        oyster,
        oyster,
      ),
    ).toBe(oyster)
    expect(
      firm('COPY Estervoe Oyster Company Ltd', ['COPY', 'Estervoe', 'Oyster', 'Company', 'Ltd'], oyster),
    ).toBe(`COPY ${oyster}`)
    expect(
      name(
        'and Kirsten Lindqvarn',
        ['and', 'Kirsten', 'Lindqvarn'],
        'Kirsten Lindqvarn',
        'Kirsten Lindqvarn',
      ),
    ).toBe('Kirsten Lindqvarn')
  })
  test('a longer name is not cut down to what others left out', () =>
    expect(
      name('Iain Alasdair MacAskell', ['Iain', 'Alasdair', 'MacAskell'], 'Iain Alasdair', 'Iain Alasdair'),
    ).toBe('Iain Alasdair MacAskell'))
})
