import { money, reads } from '../../../tests/support/read-paper.ts'

reads(
  'an electricity bill with a summary box',
  'utility_bill',
  `
  Skerrow Tidal Power | | Electricity bill
  Customer services 0800 555 010

  Mrs Ottilie Varnham | | Account no.
  12 Gannet Row | | 5520 8814 02
  Port Ellery | | Bill date
  SK4 2QD | | 4 March 2026

  Supply address: 12 Gannet Row, Port Ellery SK4 2QD
  Meter reading 1 March | 18,442 kWh
  Meter reading 1 February | 18,103 kWh
  Units used | 339 kWh
  Energy charges | €71.19
  Standing charge | €8.40
  VAT | €4.78
  Amount due | €84.37
  Please pay by 25 March 2026`,
  {
    supplier_name: 'Skerrow Tidal Power',
    account_holder: 'Ottilie Varnham',
    service_address: '12 Gannet Row, Port Ellery SK4 2QD',
    issue_date: '2026-03-04',
    account_number: '5520881402',
    amount_due: money('84.37'),
  },
)

reads(
  'une facture d’eau',
  'utility_bill',
  `
  Eaux du Ponant SA
  FACTURE D'EAU

  Titulaire du contrat : M. Yann Le Goff
  Adresse de consommation : 3 quai des Thoniers, 29900 Concarneau
  N° de compte : 4410-7782-1
  Date de facture : 12/02/2026

  Consommation 14 m3 | 38,22 €
  Abonnement | 11,50 €
  TVA 5,5 % | 2,73 €
  Montant à payer | 52,45 €`,
  {
    supplier_name: 'Eaux du Ponant SA',
    account_holder: 'Yann Le Goff',
    service_address: '3 quai des Thoniers, 29900 Concarneau',
    issue_date: '2026-02-12',
    account_number: '4410-7782-1',
    amount_due: money('52.45'),
  },
)

reads(
  'una factura de luz',
  'utility_bill',
  `
  Luz de la Ría S.L.
  Factura de electricidad

  Titular | Carmen Otero Vidal
  Dirección de suministro | Rúa do Peirao 8, 36940 Cangas
  Número de cuenta | 77-120-9914
  Fecha de emisión | 09/03/2026
  Período | 01/02/2026 - 28/02/2026

  Energía consumida | 48,10 €
  Impuestos | 10,10 €
  Total a pagar | 58,20 €`,
  {
    supplier_name: 'Luz de la Ría S.L.',
    account_holder: 'Carmen Otero Vidal',
    service_address: 'Rúa do Peirao 8, 36940 Cangas',
    issue_date: '2026-03-09',
    account_number: '77-120-9914',
    amount_due: money('58.20'),
  },
)

reads(
  'a broadband bill that speaks',
  'utility_bill',
  `
  Lantern Broadband Ltd
  Your broadband bill

  Dear Mr Brevik,
  Here is your bill of 2 February 2026 for the line at 9 Kelp Street, Wrack Bay SK7 1AA.

  Account holder | Jonas Brevik
  Customer account | LB-884-201
  Total to pay | EUR 39.90

  We will take EUR 39.90 from your bank on or after 16 February 2026.`,
  {
    supplier_name: 'Lantern Broadband Ltd',
    account_holder: 'Jonas Brevik',
    service_address: '9 Kelp Street, Wrack Bay SK7 1AA',
    issue_date: '2026-02-02',
    account_number: 'LB-884-201',
    amount_due: money('39.90'),
  },
)

reads(
  'a water bill that is a letter to a firm',
  'utility_bill',
  `
  Isles Water Company
  PO Box 12, Merrow SK1 9ZZ

  Teague Oysters Ltd
  6 Shell Walk
  Saltholm SK2 6TA

  Date of bill 3 March 2026
  Account number 7731 002 18

  Water supplied to 6 Shell Walk, Saltholm SK2 6TA
  Fixed charge | 14.00
  Water used, 31 m3 | 66.34
  Total due | EUR 80.34`,
  {
    supplier_name: 'Isles Water Company',
    account_holder: 'Teague Oysters Ltd',
    service_address: '6 Shell Walk, Saltholm SK2 6TA',
    issue_date: '2026-03-03',
    account_number: '773100218',
    amount_due: money('80.34'),
  },
)

reads(
  'what is due stands in a box at the top',
  'utility_bill',
  `
  Kelpnet Broadband | | Amount to pay
  Bill issued 09/02/2026 | | € 41,50

  Customer | Customer number | Line address
  Tobias Lindqvist | KN-204-118 | 31 Beacon Road, Port Ellery SK4 9RR

  Monthly fee | 38,00
  Calls | 3,50
  We collect this amount on 24/02/2026.`,
  {
    supplier_name: 'Kelpnet Broadband',
    account_holder: 'Tobias Lindqvist',
    service_address: '31 Beacon Road, Port Ellery SK4 9RR',
    issue_date: '2026-02-09',
    account_number: 'KN-204-118',
    amount_due: money('41.50'),
  },
)

reads(
  'une facture d’électricité',
  'utility_bill',
  `
  Énergie du Large SA | | Facture
  Référence client | 80 114 552
  Date d'émission | 5 mars 2026
  Client | Maëlle Kerloc'h
  Lieu de consommation | 14 rue du Sémaphore, 29770 Audierne
  Total TTC | 96,18 €
  À régler avant le | 25/03/2026`,
  {
    supplier_name: 'Énergie du Large SA',
    account_holder: "Maëlle Kerloc'h",
    service_address: '14 rue du Sémaphore, 29770 Audierne',
    issue_date: '2026-03-05',
    account_number: '80114552',
    amount_due: money('96.18'),
  },
)

reads(
  'una factura de agua',
  'utility_bill',
  `
  Aguas de la Ría S.A.
  FACTURA DE AGUA
  Titular del contrato: Xoán Piñeiro Rial
  Domicilio de suministro: Calle del Muelle 21, 36202 Vigo
  N.º de contrato: 5580-114
  Fecha de factura: 18/02/2026
  Consumo 11 m3 | 22,40 €
  Cuota fija | 9,15 €
  Importe total | 31,55 €`,
  {
    supplier_name: 'Aguas de la Ría S.A.',
    account_holder: 'Xoán Piñeiro Rial',
    service_address: 'Calle del Muelle 21, 36202 Vigo',
    issue_date: '2026-02-18',
    account_number: '5580-114',
    amount_due: money('31.55'),
  },
)

reads(
  'a bill with last month’s payment beside this month’s',
  'utility_bill',
  `
  Isles Water Company | | Your water bill
  Account holder | Gwen Morrow
  Service address | 4 Creel Lane, Saltholm SK2 7LL
  Account number | 7731 114 90
  Date of bill | 17 March 2026
  Balance from last bill | 44.10
  Payment received, thank you | -44.10
  Charges this period | 46.85
  Please pay | EUR 46.85
  Due date | 7 April 2026`,
  {
    supplier_name: 'Isles Water Company',
    account_holder: 'Gwen Morrow',
    service_address: '4 Creel Lane, Saltholm SK2 7LL',
    issue_date: '2026-03-17',
    account_number: '773111490',
    amount_due: money('46.85'),
  },
)

reads(
  'une facture d’eau',
  'utility_bill',
  `
  Eaux du Nord
  Facture du 3 mars 2026
  Titulaire du contrat | Elspeth Maccrae
  Lieu de consommation | 14 rue des Filets, 29200 Brest
  Référence client | 88-20417-6
  Relevé précédent | 1 204 m³
  Relevé actuel | 1 231 m³
  Montant à payer avant le 20/03/2026 | 61,35 €`,
  {
    supplier_name: 'Eaux du Nord',
    account_holder: 'Elspeth Maccrae',
    service_address: '14 rue des Filets, 29200 Brest',
    issue_date: '2026-03-03',
    account_number: '88-20417-6',
    amount_due: money('61.35'),
  },
)

reads(
  'una factura de luz',
  'utility_bill',
  `
  Energía de las Islas S.A.
  FACTURA DE ELECTRICIDAD
  Fecha de emisión: 07/02/2026
  N.º de contrato: 5500-3312
  Titular: Casper Sandwick
  Dirección de suministro: Calle Mayor 8, 36201 Vigo
  Consumo del periodo 212 kWh
  Total a pagar: 73,18 €`,
  {
    supplier_name: 'Energía de las Islas S.A.',
    account_holder: 'Casper Sandwick',
    service_address: 'Calle Mayor 8, 36201 Vigo',
    issue_date: '2026-02-07',
    account_number: '5500-3312',
    amount_due: money('73.18'),
  },
)
