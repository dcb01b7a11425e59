import { HULL_WORDS as HULL, PERSONAL_WORDS as PERSONAL, VESSEL_WORDS as BOAT } from './wordings.ts'

/** How one kind of paper may be worded by the designer who throws dice. */
export interface Wordings {
  title: readonly string[]
  /** Labels by field. */
  labels: Readonly<Record<string, readonly string[]>>
  /** The same said in sentences; `{field}` stands for a value. */
  prose?: readonly string[]
  /** How often sentences are chosen. */
  inProse?: number
  /** A closing paragraph of a form. */
  small?: readonly string[]
  sign?: readonly string[]
  date?: readonly string[]
  /** Text of the pages between the first and the last. */
  body?: readonly string[]
  /** How many pages of it. */
  more?: readonly number[]
  /** Fields that stand on the last page. */
  last?: readonly string[]
  /** Lines of figures that only fill the paper; with these in it a total field is told by its label alone. */
  heads?: readonly (readonly string[])[]
}

const SIGN = ['Signature', 'Signed', 'Your signature', 'Sign here', 'Signature of the undersigned']
const DATE = ['Date', 'Date signed', 'Signed on', 'Dated']
const FROM = ['Valid from', 'From', 'Start date', 'Begins on']
const TO = ['Valid until', 'To', 'End date', 'Ends on']
const COMPANY = [
  'Company number',
  'Company no.',
  'Registered number',
  'Company registration no.',
  'Number in the register',
]
const BUSINESS = [
  'Business name',
  'Name of business',
  'Company',
  'Company name',
  'Legal name',
  'Name of company',
]

const SURVEY_EN = [
  'The hull was examined ashore, pressure-washed and dry. ' +
    'Hammer sounding gave a clear ring over the whole of the topsides; ' +
    'below the waterline two small areas near the keel sounded dull and were marked with chalk.',
  'Moisture readings lay between 8 and 14 on the relative scale. No blistering was seen. The antifouling was patchy but sound beneath.',
  'Stern gear: the propeller shows light pitting, the shaft runs true and the cutless bearing ' +
    'has two millimetres of play. Anodes were half wasted and should be renewed at the next lift.',
  'Seacocks and through-hull fittings were opened and closed by hand; the one under the galley sink was stiff. Hoses are double-clipped.',
  'Deck and wheelhouse: the non-slip is worn at the hauler. Guard rails are firm. Two window seals weep when hosed.',
  'Engine: started from cold without smoke and ran at 1,450 revolutions for twenty minutes with steady oil pressure. The bilge was clean.',
  'Electrical: batteries hold their charge, wiring is tidy, navigation lights were proven. The radar was not run up.',
  'Safety equipment: the liferaft is due for service within the year, flares are in date, four lifejackets were counted.',
  'Recommendations: renew the anodes; free the seacock under the galley; re-bed the two windows; service the liferaft.',
]
const SURVEY_FR = [
  'La coque a été examinée à terre, après nettoyage à haute pression. Le sondage au marteau donne un son clair sur l’ensemble des œuvres mortes.',
  'Les mesures d’humidité sont comprises entre 7 et 13. Aucune trace d’osmose n’a été relevée sous la flottaison.',
  'L’hélice présente de légères piqûres, l’arbre est droit. Les anodes sont usées de moitié et sont à remplacer.',
  'Le moteur démarre à froid sans fumée. La pression d’huile est stable. La cale est propre et sèche.',
  'Recommandations: remplacer les anodes, dégripper la vanne sous l’évier, réviser le radeau de sauvetage.',
]
const SURVEY_ES = [
  'El casco fue examinado en seco, después de limpiarlo con agua a presión. El golpeo con martillo da un sonido claro en toda la obra muerta.',
  'Las medidas de humedad están entre 8 y 12. No se observó ósmosis bajo la línea de flotación.',
  'La hélice presenta leves picaduras y el eje gira recto. Los ánodos están gastados a la mitad y deben cambiarse.',
  'El motor arranca en frío sin humo, con presión de aceite estable. La sentina está limpia y seca.',
  'Recomendaciones: cambiar los ánodos, revisar la balsa salvavidas y sellar dos ventanas.',
]

const BERTH_CLAUSES = [
  'The harbour lets to the holder a berth suitable for the vessel named above. The berth may not be lent or sublet without consent in writing.',
  'The fee is payable in advance on the first day of each year of the term. Shore power and water are metered and charged apart.',
  'The holder keeps the vessel insured against third-party liability for the whole term and shows proof on request.',
  'The harbour master may move the vessel in an emergency or for dredging. The holder is told beforehand where that is possible.',
  'Waste oil, nets and batteries go into the containers provided. Nothing is thrown overboard inside the breakwater.',
  'Either side may end this agreement by three months’ notice in writing. Fees paid in advance are returned for whole months that remain.',
  'The holder moors the vessel with lines of a strength that suits her displacement and looks after them in bad weather.',
  'This agreement is governed by the law of the Skerrow Isles. Disputes go to the court at Merrow.',
]

export const PLAN_WORDS: Readonly<Record<string, readonly Wordings[]>> = {
  employment_letter: [
    {
      title: [
        'Confirmation of employment',
        'To whom it may concern',
        'Employment reference',
        'Certificate of employment',
        'Statement of employment',
        'Letter of employment',
      ],
      inProse: 0.75,
      labels: {
        employee_name: ['Employee', 'Name', 'Name of employee', 'Staff member'],
        employer_name: ['Employer', 'Firm', 'Company'],
        job_title: ['Position', 'Job title', 'Employed as', 'Post', 'Function'],
        start_date: ['Employed since', 'Start date', 'Start of employment', 'Joined on', 'Date of hire'],
        annual_salary: [
          'Annual salary',
          'Gross salary per year',
          'Yearly salary (gross)',
          'Salary per annum',
          'Annual gross pay',
        ],
        letter_date: ['Date', 'Issued on', 'Date of letter'],
      },
      prose: [
        '{letter_date}|We confirm that {employee_name} has been employed by {employer_name} since ' +
          '{start_date} as {job_title}. The contract is permanent. ' +
          'The gross annual salary is {annual_salary}.|Please ring us if you need to know more.',
        '{letter_date}|This is to certify that {employee_name} works for us in the position of ' +
          '{job_title}. The employment began on {start_date} and is open-ended. ' +
          '{employee_name} earns an annual salary of {annual_salary} before tax, paid in twelve ' +
          'instalments.',
        'Date: {letter_date}|At the request of our employee {employee_name} we state the following: ' +
          'employed with us as {job_title} since {start_date}' +
          ', full-time, with a salary per annum of {annual_salary}. ' +
          'No notice has been given by either side.',
      ],
      sign: ['Yours faithfully', 'For the employer', 'Human Resources', 'Signed', 'Personnel Manager'],
    },
  ],
  tax_assessment: [
    {
      title: [
        'Income tax assessment',
        'Notice of assessment',
        'Income tax notice',
        'Tax assessment',
        'Assessment of income tax',
        'Annual tax statement',
      ],
      labels: {
        taxpayer_name: ['Taxpayer', 'Name', 'Name of taxpayer', 'Person assessed', 'Assessment for'],
        national_number: [...PERSONAL, 'Taxpayer number'],
        tax_year: ['Tax year', 'Year of assessment', 'Income year', 'Year', 'For the year'],
        total_income: [
          'Total income',
          'Income assessed',
          'Total of income',
          'Total taxable income',
          'Sum of income',
        ],
        tax_due: [
          'Tax due',
          'Income tax payable',
          'Tax assessed',
          'Total tax',
          'Income tax due',
          'Tax payable',
        ],
        issue_date: ['Date of issue', 'Issued on', 'Date of notice', 'Notice date', 'Date'],
      },
      small: [
        'An objection may be raised in writing within thirty days of this notice. The amount is payable in two halves.',
        'This notice was made by machine and is valid without signature. Keep it for six years.',
      ],
    },
  ],
  business_accounts: [
    {
      title: [
        'Profit and loss account',
        'Annual accounts',
        'Statement of accounts',
        'Accounts of a sole trader',
        'Trading and profit and loss account',
        'Unaudited accounts',
      ],
      labels: {
        business_name: ['Business', 'Trading name', 'Name of business', 'Accounts of'],
        owner_name: ['Proprietor', 'Owner', 'Sole trader', 'Name of proprietor', 'Name of owner'],
        period: ['Accounting period', 'Period', 'Year', 'Financial year', 'Period covered'],
        turnover: ['Turnover', 'Sales', 'Total sales', 'Turnover for the year', 'Gross takings'],
        net_profit: [
          'Net profit',
          'Profit for the year',
          'Net profit for the year',
          'Net result',
          'Profit to the proprietor',
        ],
      },
      more: [1, 2],
      last: [],
      body: [
        'Balance sheet. Fixed assets are shown at cost less depreciation on a reducing balance. The boat and her gear were valued by the proprietor.',
        'Notes to the accounts: the accounts are drawn up on a cash basis. ' +
          'Fuel, bait, ice and harbour dues are charged as incurred. Drawings are not an expense.',
        'Creditors are shown as they stood on the last day. No stock was held. Debtors are landings sold and not yet paid for.',
        'The accounts were compiled from the books and vouchers of the business without audit.',
      ],
      small: [
        'I approve these accounts and confirm that all records were made available.',
        'The proprietor is responsible for these accounts.',
      ],
      sign: ['Signature of proprietor', 'Signed by the proprietor', 'Approved by', 'Signature of owner'],
      date: DATE,
    },
  ],
  survey_report: [
    {
      title: [
        'Condition and valuation survey',
        'Survey report',
        'Marine survey report',
        'Report of survey',
        'Pre-purchase survey',
        'Vessel survey',
      ],
      labels: {
        report_number: ['Report number', 'Survey no.', 'Our reference', 'Report ref.', 'Report no.'],
        surveyor_name: ['Surveyor', 'Surveyed by', 'Name of surveyor', 'Inspected by', 'Attending surveyor'],
        inspection_date: [
          'Date of inspection',
          'Inspected on',
          'Survey date',
          'Date of survey',
          'Surveyed on',
        ],
        vessel_name: BOAT,
        hull_number: HULL,
        market_value: [
          'Market value',
          'Estimated market value',
          'Valuation',
          'Current market value',
          'Value as inspected',
        ],
      },
      more: [2, 3, 4, 6],
      last: ['market_value'],
      body: SURVEY_EN,
      sign: ['Signature of surveyor', 'Surveyor', 'Signed', 'Signed by the surveyor', 'Marine surveyor'],
      date: DATE,
    },
    {
      title: ['Rapport d’expertise maritime', 'Expertise maritime', 'Rapport d’expertise'],
      labels: {
        report_number: ['Rapport n°', 'Numéro du rapport', 'Référence'],
        surveyor_name: ['Expert', 'Nom de l’expert', 'Expert maritime'],
        inspection_date: ['Date de l’expertise', 'Date d’inspection', 'Date de la visite'],
        vessel_name: ['Navire', 'Nom du navire', 'Bateau', 'Nom du bateau'],
        hull_number: ['N° de coque', 'Numéro de coque', 'Coque'],
        market_value: ['Valeur vénale', 'Valeur de marché', 'Valeur estimée'],
      },
      more: [2, 3],
      last: ['market_value'],
      body: SURVEY_FR,
      sign: ['Signature de l’expert', 'L’expert', 'Signature'],
      date: ['Date', 'Le'],
    },
    {
      title: ['Informe pericial', 'Informe de peritación', 'Peritaje de embarcación'],
      labels: {
        report_number: ['Informe n.º', 'Número de informe', 'Referencia'],
        surveyor_name: ['Perito', 'Nombre del perito', 'Perito naval'],
        inspection_date: ['Fecha de inspección', 'Fecha del peritaje', 'Inspeccionado el'],
        vessel_name: ['Embarcación', 'Nombre del barco', 'Buque'],
        hull_number: ['N.º de casco', 'Número de casco', 'Casco'],
        market_value: ['Valor de mercado', 'Tasación', 'Valor estimado'],
      },
      more: [2, 3],
      last: ['market_value'],
      body: SURVEY_ES,
      sign: ['Firma del perito', 'El perito', 'Firma'],
      date: ['Fecha'],
    },
  ],
  fishing_licence: [
    {
      title: [
        'Commercial fishing licence',
        'Licence to fish',
        'Fishing licence',
        'Sea fishing licence',
        'Fishing permit',
      ],
      labels: {
        licence_number: ['Licence number', 'Licence no.', 'Number of licence', 'Permit no.'],
        holder_name: ['Licence holder', 'Holder', 'Issued to', 'Name of holder', 'Granted to'],
        vessel_name: BOAT,
        valid_from: FROM,
        valid_until: TO,
      },
      small: [
        'Species permitted: lobster, brown crab, scallop. Gear: pots, hand dredge. Quota as published each spring by the fisheries office.',
        'The licence is to be carried on board. Landings are to be declared within two days of each catch.',
      ],
    },
  ],
  berth_agreement: [
    {
      title: [
        'Berth agreement',
        'Mooring agreement',
        'Berthing contract',
        'Agreement for a berth',
        'Annual berth agreement',
      ],
      inProse: 0.35,
      labels: {
        berth_holder: ['Berth holder', 'Holder of the berth', 'Name of berth holder', 'Boat owner', 'Hirer'],
        harbour_name: ['Harbour', 'Name of harbour', 'Harbour company'],
        vessel_name: BOAT,
        start_date: ['Start of agreement', 'From', 'Begins on', 'Start date', 'Commencement'],
        end_date: ['End of agreement', 'Until', 'Ends on', 'End date', 'Expiry'],
        annual_fee: [
          'Annual fee',
          'Berth fee per year',
          'Yearly fee',
          'Annual berth fee',
          'Fee for the year',
        ],
      },
      prose: [
        'This agreement is made between {harbour_name} (the harbour) and {berth_holder} (the berth ' +
          'holder) for the vessel {vessel_name}.|The berth is let from {start_date} until {end_date}' +
          '.|The berth holder pays an annual fee of {annual_fee}, due in advance.',
        'Between {harbour_name}, hereinafter the harbour, and the berth holder {berth_holder}' +
          ', owner of the vessel {vessel_name}, the following is agreed: ' +
          'the term begins on {start_date} and ends on {end_date}; the annual fee is {annual_fee}.',
      ],
      more: [1, 2],
      body: BERTH_CLAUSES,
      sign: ['Signature of berth holder', 'Berth holder', 'Signed by the berth holder', 'The berth holder'],
      date: DATE,
    },
  ],
  loan_payoff: [
    {
      title: [
        'Balance of your loan',
        'Statement of outstanding balance',
        'Settlement figure',
        'Loan statement',
        'Confirmation of loan balance',
        'Redemption statement',
      ],
      inProse: 0.35,
      labels: {
        lender_name: ['Lender', 'Name of lender'],
        borrower_name: ['Borrower', 'Customer', 'Name of borrower', 'Loan in the name of'],
        loan_number: ['Loan number', 'Loan account', 'Agreement number', 'Loan reference', 'Loan no.'],
        outstanding_balance: [
          'Outstanding balance',
          'Balance outstanding',
          'Settlement figure',
          'Amount outstanding',
          'Remaining balance',
        ],
        monthly_payment: ['Monthly payment', 'Monthly instalment', 'Instalment', 'Monthly repayment'],
        statement_date: ['Statement date', 'As at', 'Date', 'Balance as at', 'Issued on'],
      },
      prose: [
        '{statement_date}|Loan number {loan_number}|Dear {borrower_name}' +
          ',|the outstanding balance of your loan is {outstanding_balance}. ' +
          'Your monthly payment is {monthly_payment}, collected on the first of each month.',
        'Date: {statement_date}|We confirm that {borrower_name} holds loan number {loan_number} with ' +
          'us. On the date of this letter the balance outstanding was {outstanding_balance}' +
          ', with a monthly instalment of {monthly_payment}.',
      ],
      small: [
        'Interest accrues daily until the loan is settled. This figure holds for fourteen days.',
        'To settle the loan early please ask for a redemption figure in writing.',
      ],
    },
  ],
  debit_mandate: [
    {
      title: [
        'Direct debit mandate',
        'SEPA direct debit mandate',
        'Direct debit authorisation',
        'Authority to debit',
        'Mandate for direct debit',
      ],
      labels: {
        account_holder: ['Account holder', 'Name of account holder', 'Name', 'Debtor', 'Name of the debtor'],
        iban: ['IBAN', 'Account number (IBAN)', 'Account to be debited', 'Your IBAN'],
      },
      small: [
        'By signing this mandate you authorise Merrow Sound Mutual to send instructions to your bank ' +
          'to debit your account. You are entitled to a refund from your bank within eight weeks.',
        'I authorise the creditor named above to collect the instalments of my loan by direct debit. ' +
          'Creditor identifier: IE99ZZZ123456. Type of payment: recurrent.',
      ],
      sign: ['Signature of account holder', ...SIGN],
      date: DATE,
    },
  ],
  account_application: [
    {
      title: [
        'Business account application',
        'Application for a business account',
        'Account opening form',
        'Request for a business account',
        'New business account',
      ],
      labels: {
        application_number: ['Application number', 'Case no.', 'Reference', 'Application ref.'],
        application_date: ['Date of application', 'Applied on', 'Date', 'Application date'],
        business_name: BUSINESS,
        company_number: COMPANY,
        registered_address: [
          'Registered address',
          'Registered office',
          'Business address',
          'Address of the business',
        ],
        contact_name: ['Contact person', 'Contact', 'Contact name', 'Name of contact', 'Your name'],
        email: ['E-mail', 'Email address', 'Contact email'],
        phone: ['Phone', 'Telephone', 'Contact phone'],
        expected_monthly_turnover: [
          'Expected monthly turnover',
          'Turnover per month',
          'Monthly turnover expected',
          'Estimated monthly turnover',
          'Expected turnover a month',
        ],
      },
      more: [1],
      last: ['expected_monthly_turnover'],
      body: [
        'Nature of business and reason for the account: day-to-day trading on the quays. Payments in come from fish merchants and harbour offices.',
        'On behalf of the business I ask for a current account. I confirm that what is said here is complete.',
      ],
      sign: ['Signature of applicant', 'Signed for the business', 'Signature', 'Sign here'],
      date: DATE,
    },
  ],
  incorporation_certificate: [
    {
      title: [
        'Certificate of incorporation',
        'Certificate of incorporation of a private limited company',
        'Extract from the companies register',
        'Certificate of company registration',
      ],
      inProse: 0.55,
      labels: {
        business_name: BUSINESS,
        company_number: COMPANY,
        incorporation_date: [
          'Date of incorporation',
          'Incorporated on',
          'Registered on',
          'Date of registration',
        ],
      },
      prose: [
        'Company number {company_number}|The registrar of companies hereby certifies ' +
          'that|{business_name}|was incorporated on {incorporation_date} under the Companies Act of ' +
          'the Skerrow Isles as a private company limited by shares.',
        'I hereby certify that {business_name}, company number {company_number}' +
          ', was incorporated on {incorporation_date} as a company limited by shares.|Given at the ' +
          'companies registry, Merrow.',
      ],
      small: [
        'The company is a private company limited by shares. Registrar of Companies.',
        'Issued under the Companies Act by the registrar of companies.',
      ],
    },
  ],
  owners_declaration: [
    {
      title: [
        'Declaration of beneficial owners',
        'Beneficial owners',
        'Beneficial ownership declaration',
        'Who owns the business',
        'Declaration of ownership',
      ],
      labels: { business_name: BUSINESS, company_number: COMPANY },
      heads: [
        ['Name', 'Date of birth', 'Share'],
        ['Beneficial owner', 'Born on', 'Share in %'],
        ['Full name', 'Birth date', 'Shareholding'],
        ['Owner', 'D.O.B.', 'Ownership %'],
      ],
      small: [
        'Everybody is listed who owns or controls, directly or indirectly, a part of the company.',
        'I declare that these are all the natural persons behind the company.',
      ],
      sign: ['Signature of director', 'Signed for the company', 'Signature', 'Signed'],
      date: ['Date of declaration', 'Date', 'Declared on'],
    },
  ],
  tax_self_certification: [
    {
      title: [
        'Tax residency self-certification',
        'Self-certification of tax residence',
        'Declaration of tax residency',
        'Tax residence form',
        'Self-certification form',
      ],
      labels: {
        holder_name: ['Account holder', 'Name of account holder', 'Name', 'Full name', 'Person certifying'],
        tax_number: ['Tax identification number', 'TIN', 'Tax number', 'Tax ID', 'Tax reference number'],
        tax_country: [
          'Country of tax residence',
          'Tax residence',
          'Jurisdiction of tax residence',
          'Resident for tax purposes in',
          'Country',
        ],
      },
      small: [
        'I certify that I am resident for tax purposes as stated. I will tell you of any change in circumstances within thirty days. Edition 2024.',
        'The information may be reported to the tax authority under the common reporting rules. Edition 3, 2025.',
      ],
      sign: SIGN,
      date: DATE,
    },
  ],
  board_resolution: [
    {
      title: [
        'Minutes of a meeting of the directors',
        'Board resolution',
        'Resolution of the board of directors',
        'Extract from the minutes',
        'Minutes of the meeting',
      ],
      inProse: 0.55,
      labels: {
        business_name: BUSINESS,
        meeting_date: ['Date of meeting', 'Held on', 'Meeting date', 'Date'],
      },
      prose: [
        'Minutes of a meeting of the board of directors of {business_name}' +
          ', held on {meeting_date} at the registered office. ' +
          'A quorum was present.|It was resolved to open an account with Merrow Sound Mutual, and that ' +
          '{signatories} are authorised to sign on behalf of the company.',
        'At a meeting held on {meeting_date} the directors of {business_name} resolved unanimously ' +
          'that an account be opened and that the authorised signatories of the company shall be ' +
          '{signatories}.|The chair closed the meeting.',
      ],
      heads: [
        ['Authorised signatory', 'Position'],
        ['Name', 'Office held'],
        ['Signatories', 'Function'],
      ],
      small: [
        'It was resolved that an account be opened and that the persons named below are authorised to sign on behalf of the company:',
        'Resolved unanimously. The following are appointed authorised signatories of the account:',
      ],
      sign: ['Chairman', 'Chair of the meeting', 'Signed as a true record', 'Secretary'],
      date: DATE,
    },
  ],
}
