import { checkDigit, zoneLines } from '../../../demo/papers/zone.ts'
import { pageOf } from '../../testing/page-of.ts'
import { readMrz } from './mrz.ts'

test('the specimen card of ICAO 9303 part 5', () => {
  expect(
    readMrz(
      pageOf([
        'I<UTOD231458907<<<<<<<<<<<<<<<',
        '7408122F1204159UTO<<<<<<<<<<<6',
        'ERIKSSON<<ANNA<MARIA<<<<<<<<<<',
      ]),
    ),
  ).toMatchObject({
    documentNumber: 'D23145890',
    dateOfBirth: '1974-08-12',
    expiryDate: '2012-04-15',
    nationality: 'UTO',
    fullName: 'ANNA MARIA ERIKSSON',
  })
})
test('the specimen passport of ICAO 9303 part 4', () => {
  expect(
    readMrz(
      pageOf([
        'P<UTOERIKSSON<<ANNA<MARIA<<<<<<<<<<<<<<<<<<<',
        'L898902C36UTO7408122F1204159ZE184226B<<<<<10',
      ]),
    ),
  ).toMatchObject({ documentNumber: 'L898902C3', dateOfBirth: '1974-08-12', nationality: 'UTO' })
})
test('a value whose check digit fails is left out', () => {
  expect(
    readMrz(
      pageOf([
        'P<UTOERIKSSON<<ANNA<MARIA<<<<<<<<<<<<<<<<<<<',
        'L898902C37UTO7408122F1204159ZE184226B<<<<<10',
      ]),
    ),
  ).toMatchObject({ documentNumber: null, dateOfBirth: '1974-08-12' })
})
test.each([true, false])('zones drawn for the demo are read back (card: %s)', (card) => {
  const holder = { number: 'SK1234567', born: '1980-03-14', expiry: '2031-05-06' }
  const lines = zoneLines(card, { ...holder, given: 'Ottilie', family: 'Varnham' })
  expect(readMrz(pageOf(lines))).toMatchObject({
    documentNumber: 'SK1234567',
    dateOfBirth: '1980-03-14',
    expiryDate: '2031-05-06',
    fullName: 'OTTILIE VARNHAM',
  })
})
test('lines of a statement are no zone', () => {
  expect(
    readMrz(
      pageOf([
        'IE88TDWB74034691037091 STATEMENT',
        '01FEB26 DIRECT DEBIT ISLES WATER 155783334',
        '02FEB26 CARD PAYMENT FERRY OFFICE 36223234',
      ]),
    ),
  ).toBeNull()
})
test('a line of labels printed over a card’s zone is none of it', () => {
  expect(
    readMrz(
      pageOf([
        'Document SK4388946 Issue date: 17.11.2020',
        'I<UTOSK43889464<<<<<<<<<<<<<<<',
        '8610234X2511177UTO<<<<<<<<<<<0',
        'HOLMGREN<<ZELIE<<<<<<<<<<<<<<<',
      ]),
    ),
  ).toMatchObject({ documentNumber: 'SK4388946', fullName: 'ZELIE HOLMGREN' })
})
test('check digits weigh 7, 3, 1', () => expect(checkDigit('D23145890')).toBe('7'))
