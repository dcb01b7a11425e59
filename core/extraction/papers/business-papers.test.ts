import { money, reads } from '../../../tests/support/read-paper.ts'

reads(
  'a business account form',
  'account_application',
  `
  Merrow Sound Mutual | | Business account application
  Application number | MSM-26-104477
  Date of application | 02/04/2026
  Name of business | Teague Oysters Ltd
  Company number | 4410982
  Registered address | 6 Shell Walk, Saltholm SK2 6TA
  Contact person | Ronan Teague
  E-mail | ronan@teagueoysters.example
  Telephone | +44 1657 210 883
  Expected monthly turnover | EUR 18,500.00
  Signed for the business | Date: 02/04/2026`,
  {
    application_number: 'MSM-26-104477',
    application_date: '2026-04-02',
    business_name: 'Teague Oysters Ltd',
    company_number: '4410982',
    registered_address: '6 Shell Walk, Saltholm SK2 6TA',
    contact_name: 'Ronan Teague',
    email: 'ronan@teagueoysters.example',
    phone: '+44 1657 210 883',
    expected_monthly_turnover: money('18500.00'),
    signature_date: '2026-04-02',
  },
)

reads(
  'a certificate of incorporation in a sentence',
  'incorporation_certificate',
  `
  COMPANIES REGISTRY OF THE SKERROW ISLES
  CERTIFICATE OF INCORPORATION
  Company number 4410982
  I hereby certify that Teague Oysters Ltd was incorporated on 9 May 2018 as a private company.`,
  { business_name: 'Teague Oysters Ltd', company_number: '4410982', incorporation_date: '2018-05-09' },
)

reads(
  'owners in a table',
  'owners_declaration',
  `
  Declaration of beneficial owners
  Company: Teague Oysters Ltd
  Company no.: 4410982
  Date of declaration: 01/04/2026

  Name | Date of birth | Share
  Ronan Teague | 05/12/1977 | 60 %
  Gwen Morrow | 19/04/1982 | 40 %

  Signed for the company`,
  {
    business_name: 'Teague Oysters Ltd',
    company_number: '4410982',
    declaration_date: '2026-04-01',
    owners: [
      { name: 'Ronan Teague', date_of_birth: '1977-12-05', share: '60' },
      { name: 'Gwen Morrow', date_of_birth: '1982-04-19', share: '40' },
    ],
  },
)

reads(
  'a tax residency form',
  'tax_self_certification',
  `
  Self-certification of tax residence (2026 edition)
  Name of account holder: Ronan Teague
  Country of tax residence: Skerrow Isles
  Tax identification number: 05-1277330
  Signature of account holder | Date: 1 April 2026`,
  {
    holder_name: 'Ronan Teague',
    tax_number: '05-1277330',
    tax_country: 'Skerrow Isles',
    signature_date: '2026-04-01',
  },
)

reads(
  'minutes that name the signatories',
  'board_resolution',
  `
  Teague Oysters Ltd
  Minutes of a meeting of the board held on 30 March 2026
  It was resolved that the following persons may sign for the account:
  1. Ronan Teague
  2. Gwen Morrow
  Chair of the meeting`,
  {
    business_name: 'Teague Oysters Ltd',
    meeting_date: '2026-03-30',
    signatories: [{ name: 'Ronan Teague' }, { name: 'Gwen Morrow' }],
  },
)

reads(
  'an account form in boxes',
  'account_application',
  `
  Open a business account
  Form number | Date received
  MSM-26-220981 | 30/03/2026
  Business | Registration number
  Garvie Creels Ltd | C-55102
  Registered office | Person to contact
  65 Netmakers Close, Merrow SK1 1MS | Ewan Garvie
  E-mail address | Telephone number
  ewan@garviecreels.example | +44 1950 162 403
  Turnover expected each month | Date signed
  EUR 6,000.00 | 28/03/2026`,
  {
    application_number: 'MSM-26-220981',
    application_date: '2026-03-30',
    business_name: 'Garvie Creels Ltd',
    company_number: 'C-55102',
    registered_address: '65 Netmakers Close, Merrow SK1 1MS',
    contact_name: 'Ewan Garvie',
    email: 'ewan@garviecreels.example',
    phone: '+44 1950 162 403',
    expected_monthly_turnover: money('6000.00'),
    signature_date: '2026-03-28',
  },
)

reads(
  'a certificate with lines of its own',
  'incorporation_certificate',
  `
  Registrar of Companies
  Certificate of incorporation of a private limited company
  Name of company: Garvie Creels Ltd
  Registered number: C-55102
  Date of incorporation: 11 November 2020
  Given under my hand on 12 November 2020`,
  { business_name: 'Garvie Creels Ltd', company_number: 'C-55102', incorporation_date: '2020-11-11' },
)

reads(
  'owners one under the other',
  'owners_declaration',
  `
  BENEFICIAL OWNERS OF THE COMPANY
  Garvie Creels Ltd, company number C-55102
  Owner 1: Ewan Garvie, born 4 April 1984, holds 75 %
  Owner 2: Isla Garvie, born 9 June 1987, holds 25 %
  Declared on 30 March 2026
  Signature of director`,
  {
    business_name: 'Garvie Creels Ltd',
    company_number: 'C-55102',
    declaration_date: '2026-03-30',
    owners: [
      { name: 'Ewan Garvie', date_of_birth: '1984-04-04', share: '75' },
      { name: 'Isla Garvie', date_of_birth: '1987-06-09', share: '25' },
    ],
  },
)

reads(
  'a tax form with boxes',
  'tax_self_certification',
  `
  TAX RESIDENCY DECLARATION Form TR-2, edition 2024
  Account holder | Country where resident for tax | TIN
  Ewan Garvie | Skerrow Isles | 04-0484702
  I certify that the above is true.
  Sign here | Dated 30 March 2026`,
  {
    holder_name: 'Ewan Garvie',
    tax_number: '04-0484702',
    tax_country: 'Skerrow Isles',
    signature_date: '2026-03-30',
  },
)

reads(
  'a resolution in sentences',
  'board_resolution',
  `
  GARVIE CREELS LTD
  Extract from the minutes
  At a meeting of the directors held at Merrow on 29 March 2026 it was resolved to open an account
  with Merrow Sound Mutual and that Ewan Garvie and Isla Garvie be authorised to sign on it.
  Chairman`,
  {
    business_name: 'GARVIE CREELS LTD',
    meeting_date: '2026-03-29',
    signatories: [{ name: 'Ewan Garvie' }, { name: 'Isla Garvie' }],
  },
)

reads(
  'a company registered',
  'incorporation_certificate',
  `
  COMPANIES OFFICE OF THE SKERROW ISLES
  It is hereby certified that
  GARVIE & DAUGHTERS FISHING LTD
  was this day incorporated as a private company under number
  SC-201944
  Given at Merrow on 6 June 2018
  Registrar of Companies`,
  {
    business_name: 'GARVIE & DAUGHTERS FISHING LTD',
    company_number: 'SC-201944',
    incorporation_date: '2018-06-06',
  },
)

reads(
  'owners in a declaration',
  'owners_declaration',
  `
  Declaration of beneficial ownership
  Company: Garvie & Daughters Fishing Ltd (SC-201944)
  The following persons own or control the company:
  Full name | Born | Shareholding
  Ewan Garvie | 04/04/1984 | 60 %
  Isla Garvie | 11/09/2001 | 40 %
  Declared on 2 March 2026`,
  {
    business_name: 'Garvie & Daughters Fishing Ltd',
    company_number: 'SC-201944',
    declaration_date: '2026-03-02',
    owners: [
      { name: 'Ewan Garvie', date_of_birth: '1984-04-04', share: '60' },
      { name: 'Isla Garvie', date_of_birth: '2001-09-11', share: '40' },
    ],
  },
)
