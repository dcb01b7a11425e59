import { money, reads } from '../../../tests/support/read-paper.ts'

reads(
  'a survey whose value stands in its last sentence',
  'survey_report',
  `
  Halyard Marine Surveyors
  Condition and valuation survey

  Report no. | HMS-2026-031
  Vessel | MORNING TERN
  Hull number | SKR-88241-C
  Inspected on | 24 February 2026 at Inverkell
  Surveyor | Beatrix Holm
  Page 1 of 2
  ---
  Hull: sound, no blistering. The skin fittings were tapped and found tight.
  Engine: serviced in January 2026, 412 hours run.
  In our opinion the market value of MORNING TERN is EUR 62,000.00.
  Beatrix Holm, marine surveyor
  Page 2 of 2`,
  {
    report_number: 'HMS-2026-031',
    surveyor_name: 'Beatrix Holm',
    inspection_date: '2026-02-24',
    vessel_name: 'MORNING TERN',
    hull_number: 'SKR-88241-C',
    market_value: money('62000.00'),
  },
)

reads(
  'un rapport d’expertise',
  'survey_report',
  `
  Cabinet d'expertise maritime Kerloc'h
  RAPPORT D'EXPERTISE
  Rapport n° : 2026-114
  Navire : ROSE DES VENTS
  Numéro de coque : FR-BHN-55120
  Date de visite : 19 février 2026
  Expert : Maëlle Kerloc'h
  Valeur vénale : 51 000 €`,
  {
    report_number: '2026-114',
    surveyor_name: "Maëlle Kerloc'h",
    inspection_date: '2026-02-19',
    vessel_name: 'ROSE DES VENTS',
    hull_number: 'FR-BHN-55120',
    market_value: money('51000.00'),
  },
)

reads(
  'un informe de peritaje',
  'survey_report',
  `
  Peritajes Náuticos Rías Baixas
  Informe de inspección y valoración
  Informe n.º | RB-0226-7
  Embarcación | NUEVA LUZ
  N.º de casco | ES-VIG-20417
  Fecha de inspección | 25/02/2026
  Perito | Xoán Piñeiro
  Valor de mercado | 41.000,00 €`,
  {
    report_number: 'RB-0226-7',
    surveyor_name: 'Xoán Piñeiro',
    inspection_date: '2026-02-25',
    vessel_name: 'NUEVA LUZ',
    hull_number: 'ES-VIG-20417',
    market_value: money('41000.00'),
  },
)

reads(
  'a survey with its findings first',
  'survey_report',
  `
  MARINE SURVEY
  Report 2349/28 | Ivar Sandwick, surveyor
  Vessel: SAMPHIRE | Hull ID: SKR-47151
  Survey carried out on 5 March 2026
  1. Hull: sound. 2. Deck: two soft spots by the winch. 3. Engine: ran well.
  Page 1 of 2
  ---
  4. Valuation
  Market value in present condition: EUR 49,000.00
  Signed: Ivar Sandwick | Date: 8 March 2026
  Page 2 of 2`,
  {
    report_number: '2349/28',
    surveyor_name: 'Ivar Sandwick',
    inspection_date: '2026-03-05',
    vessel_name: 'SAMPHIRE',
    hull_number: 'SKR-47151',
    market_value: money('49000.00'),
  },
)

reads(
  'a survey in three pages with the value in a table',
  'survey_report',
  `
  NORTHLIGHT MARINE CONSULTANTS
  Pre-purchase survey
  Our reference | NMC/26/114
  Vessel's name | LUCKY HERRING
  HIN | SKR-36048
  Surveyed on | 18 March 2026
  Surveyed by | Edda Colquhoun
  Page 1 of 3
  ---
  Hull and deck
  The topsides are fair. The rubbing strake is worn along the port side and should be renewed.
  Machinery
  Oil pressure and temperature were steady over an hour at cruising speed.
  Page 2 of 3
  ---
  Valuation
  Insurance value | EUR 46,000.00
  Market value | EUR 41,500.00
  Edda Colquhoun | 20 March 2026
  Surveyor | Date
  Page 3 of 3`,
  {
    report_number: 'NMC/26/114',
    surveyor_name: 'Edda Colquhoun',
    inspection_date: '2026-03-18',
    vessel_name: 'LUCKY HERRING',
    hull_number: 'SKR-36048',
    market_value: money('41500.00'),
  },
)
