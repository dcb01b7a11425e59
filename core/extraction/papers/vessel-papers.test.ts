import { money, reads } from '../../../tests/support/read-paper.ts'

reads(
  'a certificate of registry in boxes',
  'vessel_registration',
  `
  Skerrow Isles Ship Registry
  CERTIFICATE OF REGISTRY

  Official number | | Name of ship
  SKR 40117 | | MORNING TERN
  Hull identification number | | Registered owner
  SKR-88241-C | | Ottilie Varnham
  Date of issue | | Date of expiry
  12 June 2023 | | 11 June 2028`,
  {
    registration_number: 'SKR40117',
    vessel_name: 'MORNING TERN',
    hull_number: 'SKR-88241-C',
    owner_name: 'Ottilie Varnham',
    issue_date: '2023-06-12',
    expiry_date: '2028-06-11',
  },
)

reads(
  'a certificate that certifies in a sentence',
  'vessel_registration',
  `
  REGISTRAR OF SHIPS, PORT ELLERY
  Registration no. PE-2291
  This is to certify that the vessel SALT WREN, hull no. SKR-10992-A, is registered in the name of Ronan Teague.
  Issued on 3 March 2024
  Valid until 2 March 2029`,
  {
    registration_number: 'PE-2291',
    vessel_name: 'SALT WREN',
    hull_number: 'SKR-10992-A',
    owner_name: 'Ronan Teague',
    issue_date: '2024-03-03',
    expiry_date: '2029-03-02',
  },
)

reads(
  'a cover note with its period in one line',
  'insurance_cover',
  `
  Beacon Marine Insurance
  COVER NOTE

  Policy | BM/26/00731
  Assured | Ottilie Varnham
  Ship | MORNING TERN
  Period of insurance | 1 March 2026 to 28 February 2027
  Sum insured | EUR 65,000.00
  Annual premium | EUR 1,430.00`,
  {
    policy_number: 'BM/26/00731',
    insured_name: 'Ottilie Varnham',
    vessel_name: 'MORNING TERN',
    cover_start: '2026-03-01',
    cover_end: '2027-02-28',
    sum_insured: money('65000.00'),
    premium: money('1430.00'),
  },
)

reads(
  'an attestation of cover in a letter',
  'insurance_cover',
  `
  North Isles Mutual Insurance Association
  Certificate of marine cover no. NIM-55-2031

  We insure Ronan Teague for the vessel SALT WREN against loss and damage up to €48,000.00.
  Cover begins on 15.01.2026 and ends on 14.01.2027.
  The premium of €1,012.50 has been paid.`,
  {
    policy_number: 'NIM-55-2031',
    insured_name: 'Ronan Teague',
    vessel_name: 'SALT WREN',
    cover_start: '2026-01-15',
    cover_end: '2027-01-14',
    sum_insured: money('48000.00'),
    premium: money('1012.50'),
  },
)

reads(
  'a commercial fishing licence',
  'fishing_licence',
  `
  Skerrow Fisheries Office
  COMMERCIAL FISHING LICENCE
  Licence no.: CF-2026-0417
  Holder: Ronan Teague
  Fishing vessel: SALT WREN
  Valid: 01/01/2026 to 31/12/2026
  Gear: pots, dredge`,
  {
    licence_number: 'CF-2026-0417',
    holder_name: 'Ronan Teague',
    vessel_name: 'SALT WREN',
    valid_from: '2026-01-01',
    valid_until: '2026-12-31',
  },
)

reads(
  'a berth agreement with its parties',
  'berth_agreement',
  `
  BERTH AGREEMENT
  between
  Port Ellery Harbour Trust ("the Harbour")
  and
  Ottilie Varnham ("the Holder")

  1. The Harbour lets berth 14 to the Holder for the vessel MORNING TERN.
  2. The agreement runs from 1 April 2026 to 31 March 2027.
  3. The annual fee is EUR 2,180.00, payable in advance.
  Page 1 of 2
  ---
  4. The Holder keeps the vessel insured.
  Signed for the Harbour | Signed by the Holder
  Page 2 of 2`,
  {
    berth_holder: 'Ottilie Varnham',
    harbour_name: 'Port Ellery Harbour Trust',
    vessel_name: 'MORNING TERN',
    start_date: '2026-04-01',
    end_date: '2027-03-31',
    annual_fee: money('2180.00'),
  },
)

reads(
  'a cover note whose sentence goes on with the premium',
  'insurance_cover',
  `
  Storm Petrel Assurance
  MARINE HULL POLICY: SCHEDULE
  This is to certify that insurance has been effected on the motor vessel Pole Star, the property of
  Linnea Brevik, under policy number MH5745479, for twelve months at noon from 25 OCT 2025 to
  24 OCT 2026, for a sum insured of €31,000.00. Premium: €403.00.`,
  {
    policy_number: 'MH5745479',
    insured_name: 'Linnea Brevik',
    vessel_name: 'Pole Star',
    cover_start: '2025-10-25',
    cover_end: '2026-10-24',
    sum_insured: money('31000.00'),
    premium: money('403.00'),
  },
)

reads(
  'a berth licence whose term runs over the end of a line',
  'berth_agreement',
  `
  Berth licence
  Gannet Bay Marina Ltd
  In return for an annual payment of 1 403,00 €, Gannet Bay Marina Ltd grants Sigrid Brevik
  the right to berth Morning Tern in the inner basin between 25/01/2025 and
  24/01/2027. The harbour master may move the vessel in an emergency.`,
  {
    berth_holder: 'Sigrid Brevik',
    harbour_name: 'Gannet Bay Marina Ltd',
    vessel_name: 'Morning Tern',
    start_date: '2025-01-25',
    end_date: '2027-01-24',
    annual_fee: money('1403.00'),
  },
)

reads(
  'a registration that is a table of particulars',
  'vessel_registration',
  `
  SKERROW ISLES REGISTER OF SMALL SHIPS
  Part I: Particulars
  Name of vessel | Registered number | Port
  SALT WREN | SM 20418 | Saltholm
  Hull No. | Length | Year built
  SKR-10992-A | 8.20 m | 2009
  Part II: Ownership
  Owner | Shares
  Ronan Teague | 64
  Registered on 03/03/2024. This registration ends on 02/03/2029.`,
  {
    registration_number: 'SM20418',
    vessel_name: 'SALT WREN',
    hull_number: 'SKR-10992-A',
    owner_name: 'Ronan Teague',
    issue_date: '2024-03-03',
    expiry_date: '2029-03-02',
  },
)

reads(
  'a registration whose words stand under its values',
  'vessel_registration',
  `
  Certificate of vessel registration
  No. R-7712

  GREY SEAL
  Ship's name
  SKR-48776
  Hull identification
  Casper Skarsen
  Owner
  7 JAN 2025
  Issued
  6 JAN 2030
  Valid to`,
  {
    registration_number: 'R-7712',
    vessel_name: 'GREY SEAL',
    hull_number: 'SKR-48776',
    owner_name: 'Casper Skarsen',
    issue_date: '2025-01-07',
    expiry_date: '2030-01-06',
  },
)

reads(
  'a marine policy in two columns',
  'insurance_cover',
  `
  Tern Marine Underwriters | | Certificate of insurance
  Certificate no. | TMU-0091-26 | Vessel | GREY SEAL
  Insured | Casper Skarsen | Use | Fishing
  Inception | 07/01/2026 | Expiry | 06/01/2027
  Insured value | €52.000,00 | Premium | €1.196,00
  Excess | €500,00 | Limits | Skerrow waters`,
  {
    policy_number: 'TMU-0091-26',
    insured_name: 'Casper Skarsen',
    vessel_name: 'GREY SEAL',
    cover_start: '2026-01-07',
    cover_end: '2027-01-06',
    sum_insured: money('52000.00'),
    premium: money('1196.00'),
  },
)

reads(
  'cover confirmed to the lender',
  'insurance_cover',
  `
  Beacon Marine Insurance
  To Merrow Sound Mutual

  Our policy: BM/26/00802
  Our client: Casper Skarsen
  Craft insured: GREY SEAL
  We hold cover from 7 January 2026 until 6 January 2027 inclusive.
  Amount of cover: EUR 52,000.00
  Yearly premium: EUR 1,196.00`,
  {
    policy_number: 'BM/26/00802',
    insured_name: 'Casper Skarsen',
    vessel_name: 'GREY SEAL',
    cover_start: '2026-01-07',
    cover_end: '2027-01-06',
    sum_insured: money('52000.00'),
    premium: money('1196.00'),
  },
)

reads(
  'a licence in a sentence',
  'fishing_licence',
  `
  SKERROW ISLES FISHERIES ADMINISTRATION
  Licence to fish for profit, number FL/2025/118
  Granted to Casper Skarsen for the vessel GREY SEAL.
  In force from 1 May 2025 to 30 April 2027.`,
  {
    licence_number: 'FL/2025/118',
    holder_name: 'Casper Skarsen',
    vessel_name: 'GREY SEAL',
    valid_from: '2025-05-01',
    valid_until: '2027-04-30',
  },
)

reads(
  'a licence with its dates in boxes',
  'fishing_licence',
  `
  Fishing licence
  Licence number | Licensee | Boat
  FL-88-0271 | Ewan Garvie | LUCKY HERRING
  Date of issue | Valid from | Valid until
  12.12.2025 | 01.01.2026 | 31.12.2026`,
  {
    licence_number: 'FL-88-0271',
    holder_name: 'Ewan Garvie',
    vessel_name: 'LUCKY HERRING',
    valid_from: '2026-01-01',
    valid_until: '2026-12-31',
  },
)

reads(
  'a mooring contract with a schedule',
  'berth_agreement',
  `
  Oyster Haven Marina
  MOORING CONTRACT
  Schedule
  Customer | Ewan Garvie
  Boat | LUCKY HERRING
  Berth | D22
  Commencement | 13 April 2025
  Expiry | 12 April 2027
  Yearly charge | EUR 2,489.00
  Deposit | EUR 500.00`,
  {
    berth_holder: 'Ewan Garvie',
    harbour_name: 'Oyster Haven Marina',
    vessel_name: 'LUCKY HERRING',
    start_date: '2025-04-13',
    end_date: '2027-04-12',
    annual_fee: money('2489.00'),
  },
)

reads(
  'a policy in a wide table',
  'insurance_cover',
  `
  Lighthouse Marine Underwriters
  Confirmation of hull cover
  Assured | Policy | Craft | From | To
  Ewan Garvie | LMU/20/55731 | Storm Petrel | 1 Apr 2026 | 31 Mar 2027
  Agreed value of the vessel | EUR 61,000
  Premium for the year, tax included | EUR 1,482.40`,
  {
    insured_name: 'Ewan Garvie',
    policy_number: 'LMU/20/55731',
    vessel_name: 'Storm Petrel',
    cover_start: '2026-04-01',
    cover_end: '2027-03-31',
    sum_insured: money('61000.00'),
    premium: money('1482.40'),
  },
)

reads(
  'a cover note that speaks',
  'insurance_cover',
  `
  Isles Mutual Insurance
  Cover note IM-771204
  We hold covered Nerys Lindqvist for loss of or damage to the vessel Wave Dancer
  from noon on 15 March 2026 until noon on 14 March 2027 for a sum insured of
  EUR 48,500.00. The premium of EUR 1,067.00 is payable in advance.`,
  {
    policy_number: 'IM-771204',
    insured_name: 'Nerys Lindqvist',
    vessel_name: 'Wave Dancer',
    cover_start: '2026-03-15',
    cover_end: '2027-03-14',
    sum_insured: money('48500.00'),
    premium: money('1067.00'),
  },
)

reads(
  'a berth by the season',
  'berth_agreement',
  `
  Port Ellery Harbour Trust
  MOORING CONTRACT
  Holder of the berth: Ewan Garvie
  for the craft | Storm Petrel
  Mooring C14 is let from 01/04/2026 to 31/03/2027
  Dues for the year: EUR 1,360.00, payable on signing`,
  {
    harbour_name: 'Port Ellery Harbour Trust',
    berth_holder: 'Ewan Garvie',
    vessel_name: 'Storm Petrel',
    start_date: '2026-04-01',
    end_date: '2027-03-31',
    annual_fee: money('1360.00'),
  },
)

reads(
  'a licence with boxes',
  'fishing_licence',
  `
  SKERROW ISLES FISHERIES BOARD
  LICENCE TO FISH COMMERCIALLY
  Licence | Vessel | Licensee
  FB-2025-0917 | Storm Petrel | Ewan Garvie
  In force from | Until | Gear
  10/12/2025 | 09/12/2027 | Pots, 400
  Species: lobster, brown crab`,
  {
    licence_number: 'FB-2025-0917',
    vessel_name: 'Storm Petrel',
    holder_name: 'Ewan Garvie',
    valid_from: '2025-12-10',
    valid_until: '2027-12-09',
  },
)

reads(
  'a registry extract in two columns',
  'vessel_registration',
  `
  REGISTRY OF SHIPS AND BOATS OF THE SKERROW ISLES
  Certificate of registry
  Official number | SK104-2291 | Name of ship | STORM PETREL
  Hull identification | SKR-15878 | Port | Port Ellery
  Registered owner | Ewan Garvie | Length | 9.8 m
  Date of this certificate | 14 May 2023 | Certificate expires | 13 May 2028`,
  {
    registration_number: 'SK104-2291',
    vessel_name: 'STORM PETREL',
    hull_number: 'SKR-15878',
    owner_name: 'Ewan Garvie',
    issue_date: '2023-05-14',
    expiry_date: '2028-05-13',
  },
)
