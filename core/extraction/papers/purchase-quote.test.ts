import { money, reads } from '../../../tests/support/read-paper.ts'

const line = (description: string, quantity: string, unit: string, amount: string) => ({
  description,
  quantity,
  unit_price: money(unit),
  amount: money(amount),
})

reads(
  'a quotation with its lines',
  'purchase_quote',
  `
  Inverkell Boatyard Ltd | | QUOTATION
  Slip 2, Inverkell SK5 1BY

  Prepared for | | Quote no. | QB-2026-118
  Ottilie Varnham | | Date | 03/03/2026
  12 Gannet Row | | Valid until | 30/04/2026
  Port Ellery SK4 2QD

  Vessel: MORNING TERN, hull no. SKR-88241-C

  Description | Qty | Unit price | Amount
  Hull and deck, 9.2 m workboat | 1 | 38,000.00 | 38,000.00
  Diesel engine 110 kW fitted | 1 | 9,650.00 | 9,650.00
  Pot hauler | 2 | 1,475.00 | 2,950.00
  Net | | | 50,600.00
  VAT 21 % | | | 10,626.00
  Total | | | 61,226.00`,
  {
    seller_name: 'Inverkell Boatyard Ltd',
    buyer_name: 'Ottilie Varnham',
    quote_number: 'QB-2026-118',
    quote_date: '2026-03-03',
    valid_until: '2026-04-30',
    vessel_name: 'MORNING TERN',
    hull_number: 'SKR-88241-C',
    net_amount: money('50600.00'),
    vat_amount: money('10626.00'),
    total_price: money('61226.00'),
    lines: [
      line('Hull and deck, 9.2 m workboat', '1', '38000.00', '38000.00'),
      line('Diesel engine 110 kW fitted', '1', '9650.00', '9650.00'),
      line('Pot hauler', '2', '1475.00', '2950.00'),
    ],
  },
)

reads(
  'un devis',
  'purchase_quote',
  `
  Chantier naval Le Bihan SARL
  DEVIS n° D-26-0417
  Date du devis : 16/02/2026
  Offre valable jusqu'au 30/04/2026
  Client : Yann Le Goff
  Navire : ROSE DES VENTS
  N° de coque : FR-BHN-55120

  Désignation | Qté | Prix unitaire HT | Montant HT
  Coque aluminium 8,40 m | 1 | 29 800,00 € | 29 800,00 €
  Moteur hors-bord 150 ch | 2 | 7 350,00 € | 14 700,00 €
  Total HT | | | 44 500,00 €
  TVA 20 % | | | 8 900,00 €
  Total TTC | | | 53 400,00 €`,
  {
    seller_name: 'Chantier naval Le Bihan SARL',
    buyer_name: 'Yann Le Goff',
    quote_number: 'D-26-0417',
    quote_date: '2026-02-16',
    valid_until: '2026-04-30',
    vessel_name: 'ROSE DES VENTS',
    hull_number: 'FR-BHN-55120',
    net_amount: money('44500.00'),
    vat_amount: money('8900.00'),
    total_price: money('53400.00'),
    lines: [
      line('Coque aluminium 8,40 m', '1', '29800.00', '29800.00'),
      line('Moteur hors-bord 150 ch', '2', '7350.00', '14700.00'),
    ],
  },
)

reads(
  'un presupuesto',
  'purchase_quote',
  `
  Astilleros Cabo Home S.L.
  PRESUPUESTO
  Número de presupuesto | P-2026/88
  Fecha | 20 de febrero de 2026
  Válido hasta | 20 de abril de 2026
  Cliente | Carmen Otero Vidal
  Embarcación | NUEVA LUZ
  Número de casco | ES-VIG-20417

  Concepto | Cantidad | Precio | Importe
  Casco de fibra 7,9 m | 1 | 24.500,00 € | 24.500,00 €
  Motor interior diésel | 1 | 11.200,00 € | 11.200,00 €
  Base imponible | | | 35.700,00 €
  IVA 21 % | | | 7.497,00 €
  Total presupuesto | | | 43.197,00 €`,
  {
    seller_name: 'Astilleros Cabo Home S.L.',
    buyer_name: 'Carmen Otero Vidal',
    quote_number: 'P-2026/88',
    quote_date: '2026-02-20',
    valid_until: '2026-04-20',
    vessel_name: 'NUEVA LUZ',
    hull_number: 'ES-VIG-20417',
    net_amount: money('35700.00'),
    vat_amount: money('7497.00'),
    total_price: money('43197.00'),
    lines: [
      line('Casco de fibra 7,9 m', '1', '24500.00', '24500.00'),
      line('Motor interior diésel', '1', '11200.00', '11200.00'),
    ],
  },
)

reads(
  'an offer with its price in words and figures',
  'purchase_quote',
  `
  Fairwind Craft Ltd
  Sales offer 1536/91 of 22 March 2026, open until 31 May 2026

  To: Casper Skarsen
  Vessel: GREY SEAL, hull number SKR-48776

  Article | Number | Each | Together
  Workboat as seen | 1 | 24,038.00 | 24,038.00
  New pot hauler | 2 | 1,815.50 | 3,631.00

  Sum without tax | 27,669.00
  VAT at 20 % | 5,533.80
  To pay in all | 33,202.80`,
  {
    seller_name: 'Fairwind Craft Ltd',
    buyer_name: 'Casper Skarsen',
    quote_number: '1536/91',
    quote_date: '2026-03-22',
    valid_until: '2026-05-31',
    vessel_name: 'GREY SEAL',
    hull_number: 'SKR-48776',
    net_amount: money('27669.00'),
    vat_amount: money('5533.80'),
    total_price: money('33202.80'),
    lines: [
      line('Workboat as seen', '1', '24038.00', '24038.00'),
      line('New pot hauler', '2', '1815.50', '3631.00'),
    ],
  },
)

reads(
  'a pro forma with the quantity last',
  'purchase_quote',
  `
  SALTHOLM YARD
  Estimate | No. E-7741
  Issued | 14-FEB-26 | Expires | 15-APR-26
  Customer | Ronan Teague
  Boat | SALT WREN | HIN | SKR-10992-A

  Work and goods | Price | Qty | Total
  Re-engine with 90 kW diesel | €11.400,00 | 1 | €11.400,00
  Dredge winch | €2.150,00 | 1 | €2.150,00
  Day of sea trial | €480,00 | 2 | €960,00
  Net amount | | | €14.510,00
  VAT | | | €3.047,10
  Total price | | | €17.557,10`,
  {
    seller_name: 'SALTHOLM YARD',
    buyer_name: 'Ronan Teague',
    quote_number: 'E-7741',
    quote_date: '2026-02-14',
    valid_until: '2026-04-15',
    vessel_name: 'SALT WREN',
    hull_number: 'SKR-10992-A',
    net_amount: money('14510.00'),
    vat_amount: money('3047.10'),
    total_price: money('17557.10'),
    lines: [
      line('Re-engine with 90 kW diesel', '1', '11400.00', '11400.00'),
      line('Dredge winch', '1', '2150.00', '2150.00'),
      line('Day of sea trial', '2', '480.00', '960.00'),
    ],
  },
)

reads(
  'a quotation without numbers of pieces',
  'purchase_quote',
  `
  Cullen Point Boatworks Limited
  QUOTATION
  Number: CPB-2026-77 | Date: 9 March 2026
  For the attention of Gwen Morrow | Valid to: 8 May 2026
  Craft: SEA PINK | Hull no.: SKR-55209

  Work | Quantity | Rate | Sum
  Shot-blasting and priming of the hull | 1 | 4,200.00 | 4,200.00
  New wheelhouse windows | 5 | 380.00 | 1,900.00
  Hours in the yard | 36 | 48.50 | 1,746.00
  Total excl. VAT | 7,846.00
  VAT 20 % | 1,569.20
  Total incl. VAT | 9,415.20`,
  {
    seller_name: 'Cullen Point Boatworks Limited',
    buyer_name: 'Gwen Morrow',
    quote_number: 'CPB-2026-77',
    quote_date: '2026-03-09',
    valid_until: '2026-05-08',
    vessel_name: 'SEA PINK',
    hull_number: 'SKR-55209',
    net_amount: money('7846.00'),
    vat_amount: money('1569.20'),
    total_price: money('9415.20'),
    lines: [
      line('Shot-blasting and priming of the hull', '1', '4200.00', '4200.00'),
      line('New wheelhouse windows', '5', '380.00', '1900.00'),
      line('Hours in the yard', '36', '48.50', '1746.00'),
    ],
  },
)

reads(
  'un devis de chantier naval',
  'purchase_quote',
  `
  Chantier Naval du Goéland SARL
  12 quai des Brumes, 29200 Brest
  DEVIS n° 2026-118 | | Brest, le 12 mars 2026
  À l'attention de : | Gwen Morrow
  Bateau : Étoile du Nord, coque SKR-40112
  Désignation | Qté | P.U. HT | Montant HT
  Moteur diesel 120 ch | 1 | 18 400,00 | 18 400,00
  Pose et réglage | 24 | 62,50 | 1 500,00
  Total HT | | | 19 900,00
  TVA 20 % | | | 3 980,00
  Total TTC | | | 23 880,00 €
  Offre valable jusqu'au 12 avril 2026`,
  {
    seller_name: 'Chantier Naval du Goéland SARL',
    buyer_name: 'Gwen Morrow',
    quote_number: '2026-118',
    quote_date: '2026-03-12',
    valid_until: '2026-04-12',
    vessel_name: 'Étoile du Nord',
    hull_number: 'SKR-40112',
    net_amount: money('19900.00'),
    vat_amount: money('3980.00'),
    total_price: money('23880.00'),
    lines: [
      {
        description: 'Moteur diesel 120 ch',
        quantity: '1',
        unit_price: money('18400.00'),
        amount: money('18400.00'),
      },
      {
        description: 'Pose et réglage',
        quantity: '24',
        unit_price: money('62.50'),
        amount: money('1500.00'),
      },
    ],
  },
)

reads(
  'un presupuesto de astillero',
  'purchase_quote',
  `
  Astilleros Punta Blanca S.L.
  PRESUPUESTO P-0447 | | Fecha: 05/03/2026
  Cliente: Casper Sandwick | | Válido hasta: 04/04/2026
  Embarcación: Mar Serena | | Casco: SKR-77120
  Concepto | Cantidad | Precio | Importe
  Casco de fibra, 9 m | 1 | 31.000,00 | 31.000,00
  Remolque | 1 | 2.250,00 | 2.250,00
  Base imponible | 33.250,00
  IVA (21 %) | 6.982,50
  TOTAL | 40.232,50 EUR`,
  {
    seller_name: 'Astilleros Punta Blanca S.L.',
    buyer_name: 'Casper Sandwick',
    quote_number: 'P-0447',
    quote_date: '2026-03-05',
    valid_until: '2026-04-04',
    vessel_name: 'Mar Serena',
    hull_number: 'SKR-77120',
    net_amount: money('33250.00'),
    vat_amount: money('6982.50'),
    total_price: money('40232.50'),
    lines: [
      {
        description: 'Casco de fibra, 9 m',
        quantity: '1',
        unit_price: money('31000.00'),
        amount: money('31000.00'),
      },
      { description: 'Remolque', quantity: '1', unit_price: money('2250.00'), amount: money('2250.00') },
    ],
  },
)
