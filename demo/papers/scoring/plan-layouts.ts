import type { colours, Face } from '../../sheet.ts'
import type { DateForm, MoneyForm } from '../../story.ts'

/** One design of one kind of paper: looks, wordings and running text; `{field}` stands for a value. */
export interface Layout {
  house: 'framed' | 'rows' | 'plain'
  face: Face
  colour: keyof typeof colours
  date: DateForm
  money: MoneyForm
  title: string
  first: readonly (readonly [label: string, value: string])[]
  text?: readonly string[]
  heads?: readonly string[]
  /** Text of the further pages. */
  pages?: readonly (readonly string[])[]
  /** What stands labelled at the end. */
  last?: readonly (readonly [label: string, value: string])[]
  sign?: readonly [sign: string, date: string]
}

export const PLAN_LAYOUTS: Readonly<Record<string, readonly [Layout, Layout]>> = {
  employment_letter: [
    {
      house: 'plain',
      face: 'serif',
      colour: 'ink',
      date: 'long',
      money: 'eur',
      title: 'Letter confirming employment',
      first: [],
      text: [
        '{letter_date}',
        'To the loan department',
        'It is confirmed herewith that {employee_name} joined {employer_name} on {start_date} and ' +
          'has been with us without interruption. {employee_name} holds the post of {job_title} under ' +
          'a contract of unlimited length.',
        'The salary agreed is {annual_salary} gross per year. The probation period was passed long ago and no dismissal is intended.',
        'With kind regards',
      ],
      sign: ['for {firm}', ''],
    },
    {
      house: 'framed',
      face: 'sans',
      colour: 'navy',
      date: 'slashes',
      money: 'sign',
      title: 'Employer’s statement for lenders',
      first: [
        ['Name of the employee', '{employee_name}'],
        ['Employing company', '{employer_name}'],
        ['Occupation in the firm', '{job_title}'],
        ['With us since', '{start_date}'],
        ['Yearly gross salary', '{annual_salary}'],
        ['Statement made on', '{letter_date}'],
      ],
      text: [
        'The person named above is employed by us for an indefinite time. ' +
          'We make this statement at the wish of the employee and accept no liability for it.',
      ],
      sign: ['Employer, signature and stamp', 'Date'],
    },
  ],
  tax_assessment: [
    {
      house: 'rows',
      face: 'humanist',
      colour: 'wine',
      date: 'dots',
      money: 'dotted',
      title: 'Notice of income tax {tax_year}',
      first: [
        ['Person assessed', '{taxpayer_name}'],
        ['National number', '{national_number}'],
        ['Made out on', '{issue_date}'],
        ['All income of the year', '{total_income}'],
        ['Income tax thereon', '{tax_due}'],
        ['To be paid in', '2 halves'],
      ],
      text: [
        'The tax was worked out from your return. Should you disagree, write to the Revenue within one month and say why.',
      ],
    },
    {
      house: 'plain',
      face: 'typewriter',
      colour: 'ink',
      date: 'short',
      money: 'plain',
      title: 'ASSESSMENT TO INCOME TAX',
      first: [
        ['TAX PAYER', '{taxpayer_name}'],
        ['NAT. NO', '{national_number}'],
        ['YEAR', '{tax_year}'],
        ['DATE OF THIS ASSESSMENT', '{issue_date}'],
        ['TOTAL INCOME ASSESSED EUR', '{total_income}'],
        ['TAX PAYABLE EUR', '{tax_due}'],
      ],
      text: ['This assessment is final unless an appeal is lodged. Remit to the Collector, Merrow.'],
    },
  ],
  business_accounts: [
    {
      house: 'rows',
      face: 'slab',
      colour: 'forest',
      date: 'long',
      money: 'eur',
      title: 'Accounts for the year ended {period_end}',
      first: [
        ['Trading name', '{business_name}'],
        ['Proprietor', '{owner_name}'],
        ['Accounts run from', '{period_start}'],
        ['Accounts run to', '{period_end}'],
      ],
      text: ['Drawn up from the books of the trader. These accounts have not been audited.'],
      pages: [
        [
          'Trading account. Landings were sold through the market at Saltholm. Fuel, bait, ice, repairs and harbour dues were met from takings.',
        ],
        [
          'Statement of affairs. The boat is carried at cost less wear. ' +
            'The bank was in credit throughout and no money was owed to suppliers beyond thirty days.',
        ],
      ],
      last: [
        ['Turnover', '{turnover}'],
        ['Net profit for the year', '{net_profit}'],
      ],
      sign: ['Proprietor', 'Approved on'],
    },
    {
      house: 'framed',
      face: 'sans',
      colour: 'teal',
      date: 'slashes',
      money: 'plain',
      title: 'Sole trader: income and expenditure',
      first: [
        ['Name of the business', '{business_name}'],
        ['Owner of the business', '{owner_name}'],
        ['Period of account', '{period_start} to {period_end}'],
        ['Sales (EUR)', '{turnover}'],
        ['Profit of the owner (EUR)', '{net_profit}'],
      ],
      pages: [
        [
          'Notes. Depreciation is taken at a tenth of the opening value. ' +
            'Drawings were made monthly and are not an expense of the business. ' +
            'Closing debtors were settled in the weeks after the year’s end.',
        ],
      ],
      sign: ['Signed by the owner', 'on'],
    },
  ],
  survey_report: [
    {
      house: 'rows',
      face: 'sans',
      colour: 'navy',
      date: 'medium',
      money: 'sign',
      title: 'Condition & Valuation Survey',
      first: [
        ['Survey ref.', '{report_number}'],
        ['Boat', '{vessel_name}'],
        ['HIN', '{hull_number}'],
        ['Carried out by', '{surveyor_name}'],
        ['Seen ashore on', '{inspection_date}'],
        ['Commissioned by', 'the intending purchaser'],
      ],
      text: [
        'Scope. The survey was made without dismantling. Parts that were painted, lagged or boxed in were not seen and cannot be reported on.',
      ],
      pages: [
        [
          '1. Hull. The laminate rings sound when tapped. Two repairs on the port bow are old and fair. The keel joint is tight.',
          '2. Deck. Softness was felt by the hauler over an area the size of a hand. The hatch coamings are dry.',
          '3. Steering. The rudder stock has a little play at the upper bearing, within what is usual.',
        ],
        [
          '4. Engine. The diesel started at the first turn and ran without smoke. Mounts and belts are good. The bilge was dry.',
          '5. Gas and electrics. The locker drains overboard. The shore lead is worn at the plug and wants renewing.',
          '6. Safety. Two flares are past their day. The raft is in date.',
        ],
        [
          '7. Opinion. She is a well-kept boat of her age and fit for her work once the points above are seen to.',
        ],
      ],
      last: [['Value put on her as she lies', '{market_value}']],
      sign: ['{firm}, surveyor', 'Dated'],
    },
    {
      house: 'framed',
      face: 'humanist',
      colour: 'teal',
      date: 'slashes',
      money: 'behind',
      title: 'Rapport d’expertise',
      first: [
        ['Dossier n°', '{report_number}'],
        ['Bateau expertisé', '{vessel_name}'],
        ['Numéro de la coque', '{hull_number}'],
        ['Expert maritime', '{surveyor_name}'],
        ['Visite effectuée le', '{inspection_date}'],
      ],
      pages: [
        [
          'Coque et pont. Le stratifié est sain au sondage, sans délaminage. Les passe-coques manœuvrent librement. Le pont est sec.',
          'Propulsion. Le moteur tourne rond, sans fuite d’huile. La ligne d’arbre ne présente pas de jeu anormal.',
        ],
        [
          'Conclusion. Le navire est en bon état général d’entretien pour son âge et apte à la pêche côtière.',
        ],
      ],
      last: [['Valeur vénale estimée', '{market_value}']],
      sign: ['Signature de l’expert', 'Fait le'],
    },
  ],
  fishing_licence: [
    {
      house: 'framed',
      face: 'slab',
      colour: 'forest',
      date: 'long',
      money: 'eur',
      title: 'Licence for commercial sea fishing',
      first: [
        ['Licence No.', '{licence_number}'],
        ['Given to', '{holder_name}'],
        ['To fish from the vessel', '{vessel_name}'],
        ['In force from', '{valid_from}'],
        ['In force until', '{valid_until}'],
      ],
      text: [
        'Permitted gear: creels and hand lines. Catches of protected species are to be put back alive. This licence cannot be passed on.',
      ],
    },
    {
      house: 'rows',
      face: 'sans',
      colour: 'rust',
      date: 'iso',
      money: 'plain',
      title: 'FISHING LICENCE (shellfish)',
      first: [
        ['Number', '{licence_number}'],
        ['Holder of this licence', '{holder_name}'],
        ['Vessel', '{vessel_name}'],
        ['Validity', '{valid_from} to {valid_until}'],
      ],
      text: ['The holder declares all landings to the fisheries officer. Quota: see the yearly notice.'],
    },
  ],
  berth_agreement: [
    {
      house: 'plain',
      face: 'serif',
      colour: 'ink',
      date: 'long',
      money: 'eur',
      title: 'Agreement on the use of a berth',
      first: [],
      text: [
        'Made between {harbour_name}, called the Harbour, and {berth_holder}, called the Berth Holder.',
        'The Harbour lets to the Berth Holder a berth on pontoon C for the vessel {vessel_name}. The agreement runs from {start_date} to {end_date}.',
        'For this the Berth Holder pays a fee of {annual_fee} per year, in advance.',
      ],
      pages: [
        [
          'Fenders and warps are the Berth Holder’s own. Speed inside the harbour is four knots. Fuel is taken only at the fuel quay.',
          'The Harbour is not answerable for theft or for damage by weather. The Berth Holder keeps the vessel insured.',
          'Notice is three months. The law of the Skerrow Isles applies.',
        ],
      ],
      sign: ['The Berth Holder', 'Date:'],
    },
    {
      house: 'rows',
      face: 'humanist',
      colour: 'teal',
      date: 'slashes',
      money: 'sign',
      title: 'Annual mooring contract',
      first: [
        ['Harbour', '{harbour_name}'],
        ['Customer (berth holder)', '{berth_holder}'],
        ['Craft', '{vessel_name}'],
        ['Berth', 'C 14'],
        ['Contract starts', '{start_date}'],
        ['Contract ends', '{end_date}'],
        ['Charge per year', '{annual_fee}'],
        ['Payable', 'in advance'],
      ],
      pages: [
        [
          'Terms. The customer uses the berth for the craft named and for no other. Electricity is paid by meter. Rubbish goes ashore.',
          'The harbour master’s directions are followed at once. Either party may end the contract at the end of a year.',
        ],
      ],
      sign: ['Customer’s signature', 'Date'],
    },
  ],
  loan_payoff: [
    {
      house: 'plain',
      face: 'sans',
      colour: 'ink',
      date: 'medium',
      money: 'sign',
      title: 'What is still owed on your loan',
      first: [],
      text: [
        '{statement_date}',
        'Borrower: {borrower_name}',
        'Loan no. {loan_number}',
        'On the day of this letter {outstanding_balance} remains outstanding on the loan named above. You pay {monthly_payment} a month.',
        'If you want to pay off the loan early, tell us two weeks ahead. Interest to the day will be added.',
        '{lender_name}',
      ],
    },
    {
      house: 'framed',
      face: 'typewriter',
      colour: 'navy',
      date: 'short',
      money: 'eur',
      title: 'Redemption statement',
      first: [
        ['Account of', '{borrower_name}'],
        ['Loan account no.', '{loan_number}'],
        ['Position as at', '{statement_date}'],
        ['Balance outstanding', '{outstanding_balance}'],
        ['Instalment each month', '{monthly_payment}'],
        ['Arrears', 'none'],
      ],
      text: ['The figure above settles the loan if received within ten days.'],
    },
  ],
  debit_mandate: [
    {
      house: 'framed',
      face: 'sans',
      colour: 'wine',
      date: 'slashes',
      money: 'eur',
      title: 'Mandate to collect by direct debit',
      first: [
        ['Creditor', 'Merrow Sound Mutual'],
        ['Mandate reference', 'MSM-DD'],
        ['Holder of the account', '{account_holder}'],
        ['Account (IBAN)', '{iban}'],
        ['Kind of payment', 'recurrent'],
      ],
      text: [
        'I allow Merrow Sound Mutual to collect payments from my account by direct debit and ask my ' +
          'bank to honour them. Within eight weeks I can have a payment returned.',
      ],
      sign: ['Account holder’s signature', 'Place, date'],
    },
    {
      house: 'plain',
      face: 'serif',
      colour: 'ink',
      date: 'long',
      money: 'eur',
      title: 'Direct Debit: authority to my bank',
      first: [
        ['Account name', '{account_holder}'],
        ['IBAN', '{iban}'],
      ],
      text: [
        'Please pay Merrow Sound Mutual direct debits from the account detailed above. ' +
          'I understand that the safeguards of the direct debit scheme protect me.',
      ],
      sign: ['Signature(s)', 'Date'],
    },
  ],
  account_application: [
    {
      house: 'rows',
      face: 'sans',
      colour: 'teal',
      date: 'medium',
      money: 'sign',
      title: 'Open a business account',
      first: [
        ['Application ref', '{application_number}'],
        ['Date', '{application_date}'],
        ['What is the business called?', '{business_name}'],
        ['Company number', '{company_number}'],
        ['Registered office', '{registered_address}'],
        ['Who may we speak to?', '{contact_name}'],
        ['Email', '{email}'],
        ['Phone', '{phone}'],
      ],
      pages: [
        [
          'About the business. Please say what the business does and where payments will come from. ' +
            'Trade in fish, shellfish and stores; payments from merchants on the isles.',
        ],
      ],
      last: [['Turnover expected per month', '{expected_monthly_turnover}']],
      sign: ['Signed for the business', 'Date'],
    },
    {
      house: 'framed',
      face: 'slab',
      colour: 'navy',
      date: 'slashes',
      money: 'plain',
      title: 'Application: Trader Account',
      first: [
        ['Application number', '{application_number}'],
        ['Date of application', '{application_date}'],
        ['Legal name of the business', '{business_name}'],
        ['Registration number', '{company_number}'],
        ['Registered address', '{registered_address}'],
        ['Contact for questions', '{contact_name}'],
        ['E-mail address', '{email}'],
        ['Telephone', '{phone}'],
        ['Monthly turnover, expected (EUR)', '{expected_monthly_turnover}'],
      ],
      pages: [
        [
          'Declaration. The undersigned applies for an account on behalf of the business and confirms ' +
            'that the answers are true. The account is used for the business alone.',
        ],
      ],
      sign: ['Applicant’s signature', 'Date'],
    },
  ],
  incorporation_certificate: [
    {
      house: 'plain',
      face: 'serif',
      colour: 'ink',
      date: 'long',
      money: 'eur',
      title: 'Certificate of Incorporation',
      first: [],
      text: [
        'No. {company_number}',
        'The Registrar of Companies certifies that {business_name} is this day incorporated as a private company and that the company is limited.',
        'Given under seal at Merrow on {incorporation_date}.',
      ],
    },
    {
      house: 'framed',
      face: 'humanist',
      colour: 'forest',
      date: 'dots',
      money: 'eur',
      title: 'Companies register: extract',
      first: [
        ['Company', '{business_name}'],
        ['Register number', '{company_number}'],
        ['Day of incorporation', '{incorporation_date}'],
        ['Form', 'private company limited by shares'],
        ['Seat', 'Skerrow Isles'],
      ],
      text: ['Extract from the register of companies as it stands today.'],
    },
  ],
  owners_declaration: [
    {
      house: 'rows',
      face: 'humanist',
      colour: 'navy',
      date: 'long',
      money: 'eur',
      title: 'Who are the beneficial owners?',
      first: [
        ['Name of the company', '{business_name}'],
        ['Company no.', '{company_number}'],
      ],
      text: ['List every person who in the end owns part of the company.'],
      heads: ['Person', 'Born', 'Holds'],
      sign: ['On behalf of the company', 'Declared on'],
    },
    {
      house: 'framed',
      face: 'sans',
      colour: 'wine',
      date: 'slashes',
      money: 'eur',
      title: 'Beneficial ownership statement',
      first: [
        ['Business', '{business_name}'],
        ['Registered number', '{company_number}'],
      ],
      heads: ['Name of owner', 'Date of birth', 'Percentage'],
      text: ['The following natural persons hold the shares, directly or through others:'],
      sign: ['Signature', 'Date'],
    },
  ],
  tax_self_certification: [
    {
      house: 'framed',
      face: 'sans',
      colour: 'forest',
      date: 'slashes',
      money: 'eur',
      title: 'Where do you pay tax? Self-certification 2025',
      first: [
        ['Name of the account holder', '{holder_name}'],
        ['I am tax resident in', '{tax_country}'],
        ['Tax number there (TIN)', '{tax_number}'],
      ],
      text: [
        'I certify that these particulars are right and will report changes within a month. They may be passed to tax authorities.',
      ],
      sign: ['Signature of account holder', 'Date'],
    },
    {
      house: 'plain',
      face: 'typewriter',
      colour: 'ink',
      date: 'iso',
      money: 'eur',
      title: 'TAX RESIDENCE SELF-CERTIFICATION, EDITION 2023',
      first: [
        ['NAME', '{holder_name}'],
        ['COUNTRY OF TAX RESIDENCE', '{tax_country}'],
        ['TAX ID', '{tax_number}'],
      ],
      text: ['The person named is resident for tax purposes in the country stated and in no other.'],
      sign: ['Signed', 'Date'],
    },
  ],
  board_resolution: [
    {
      house: 'plain',
      face: 'serif',
      colour: 'ink',
      date: 'long',
      money: 'eur',
      title: 'Minutes of a board meeting',
      first: [],
      text: [
        '{business_name}',
        'Held at the registered office on {meeting_date}. All directors were present and the chair declared the meeting open.',
        'RESOLVED: that the company opens an account with Merrow Sound Mutual.',
        'RESOLVED: that {signatories} be authorised to sign for the company, each alone.',
        'There being no other business the meeting was closed.',
      ],
      sign: ['Chair', ''],
    },
    {
      house: 'framed',
      face: 'humanist',
      colour: 'rust',
      date: 'slashes',
      money: 'eur',
      title: 'Resolution of the directors',
      first: [
        ['Company', '{business_name}'],
        ['Date of the meeting', '{meeting_date}'],
      ],
      text: [
        'The directors resolved to bank with Merrow Sound Mutual and named the persons below as signatories.',
      ],
      heads: ['Signatory', 'Office'],
      sign: ['Chairman’s signature', 'Date'],
    },
  ],
}
