import { reads } from '../../../tests/support/read-paper.ts'

const card = {
  document_number: 'SK4471902',
  full_name: 'Ottilie Varnham',
  date_of_birth: '1980-03-14',
  issue_date: '2021-06-02',
  expiry_date: '2031-06-01',
  nationality: 'UTO',
}

reads(
  'surname and given names apart, labels over values',
  'identity_card',
  `
  UTOPIA | | IDENTITY CARD
  Surname | | Given names
  Varnham | | Ottilie
  Nationality | | Date of birth
  UTO | | 14 03 1980
  Card number | | Date of issue
  SK4471902 | | 02 06 2021
  Date of expiry
  01 06 2031`,
  card,
)

reads(
  'labels in three tongues',
  'identity_card',
  `
  REPUBLIC OF UTOPIA
  PASSPORT / PASSEPORT / PASAPORTE
  Surname / Nom / Apellidos
  Varnham
  Given names / Prénoms / Nombres
  Ottilie
  Nationality / Nationalité / Nacionalidad
  UTO
  Date of birth / Date de naissance / Fecha de nacimiento
  14 MAR 1980
  Passport No. / Passeport n° / Pasaporte N.º
  SK4471902
  Date of issue / Date de délivrance / Fecha de expedición
  02 JUN 2021
  Date of expiry / Date d'expiration / Fecha de caducidad
  01 JUN 2031`,
  card,
)

reads(
  'a name in one line with its label beside it',
  'identity_card',
  `
  Isles Identity Card
  Name: Ottilie Varnham
  Born: 14.03.1980
  Document no.: SK4471902
  Nationality: UTO
  Issued on: 02.06.2021
  Valid until: 01.06.2031`,
  card,
)

reads(
  'the surname first, behind a comma',
  'identity_card',
  `
  National Identity Card
  Name | Varnham, Ottilie
  Date of birth | 14/03/1980
  Nationality | UTO
  Card no. | SK4471902
  Issued | 02/06/2021
  Expires | 01/06/2031`,
  { ...card, full_name: 'Varnham, Ottilie' },
)

reads(
  'numbered like a licence',
  'identity_card',
  `
  UTOPIA IDENTITY CARD
  1. Surname | VARNHAM
  2. Given names | OTTILIE
  3. Date of birth | 14.03.1980
  4a. Date of issue | 02.06.2021
  4b. Date of expiry | 01.06.2031
  5. Card number | SK4471902
  6. Nationality | UTO`,
  { ...card, full_name: 'OTTILIE VARNHAM' },
)

reads(
  'une carte d’identité',
  'identity_card',
  `
  CARTE NATIONALE D'IDENTITÉ
  Nom : LE GOFF
  Prénoms : Yann, Marie
  Nationalité : UTO
  Né le : 02/11/1979
  N° du document : FR9920117
  Délivrée le : 11/04/2022
  Expire le : 10/04/2032`,
  {
    document_number: 'FR9920117',
    full_name: 'Yann, Marie LE GOFF',
    date_of_birth: '1979-11-02',
    issue_date: '2022-04-11',
    expiry_date: '2032-04-10',
    nationality: 'UTO',
  },
)

reads(
  'un documento nacional de identidad',
  'identity_card',
  `
  DOCUMENTO NACIONAL DE IDENTIDAD
  Apellidos | Nombre
  OTERO VIDAL | CARMEN
  Nacionalidad | Fecha de nacimiento
  UTO | 08 07 1985
  Número de documento | Fecha de expedición
  77120991K | 03 02 2020
  Válido hasta
  02 02 2030`,
  {
    document_number: '77120991K',
    full_name: 'CARMEN OTERO VIDAL',
    date_of_birth: '1985-07-08',
    issue_date: '2020-02-03',
    expiry_date: '2030-02-02',
    nationality: 'UTO',
  },
)
