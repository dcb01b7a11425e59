/**
 * How one kind of paper is worded: each field with the labels that a studio might set, and sentences that say
 * the same.
 */
export interface Wording {
  titles: readonly string[]
  labels: Readonly<Record<string, readonly string[]>>
  /** Sentences with {field}; what they do not say is set as labels with values. */
  prose?: readonly string[]
  /** What stands in small print. */
  small: readonly string[]
  /** Heads of the columns of its table. */
  heads?: readonly (readonly string[])[]
  /** Running text of the pages behind the first. */
  body?: readonly string[]
  sign?: readonly string[]
  signDate?: readonly string[]
  /** Pages, where there are several. */
  pages?: readonly number[]
  /** Fields that stand on the last page. */
  last?: readonly string[]
}

const BOAT = [
  'Vessel name',
  'Name of craft',
  'Boat',
  'M.V.',
  'Ship',
  'Name of the vessel',
  'The vessel known as',
]
const HULL = [
  'Hull identification no.',
  'HIN / hull no.',
  'Hull mark',
  'Hull serial number',
  'Hull ref.',
  'Craft identification number (CIN)',
]
const NATIONAL = [
  'National insurance number',
  'National no.',
  'Personal identity number',
  'ID no.',
  'National ID number',
  'Social number',
]
const COMPANY = [
  'Company registration number',
  'Company reg. no.',
  'Registered number',
  'Registration no. of company',
  'Reg. number',
  'Companies registry no.',
]
const FIRM = [
  'Name of company',
  'Company name',
  'Legal name',
  'Registered name',
  'Name of the business',
  'Business name',
]
const SIGN = ['Signature', 'Signed', 'Applicant’s signature', 'Please sign here', 'Signature of customer']
const SIGN_DATE = ['Date', 'Date signed', 'Dated', 'Date (DD/MM/YYYY)', 'Day of signing']

export const WORDINGS: Readonly<Record<string, readonly Wording[]>> = {
  payslip: [
    {
      titles: [
        'Payslip',
        'Your pay this month',
        'Pay statement',
        'Salary slip',
        'Statement of earnings',
        'Monthly pay advice',
        'PAYSLIP – CONFIDENTIAL',
      ],
      labels: {
        employee_name: [
          'Employee',
          'Employee name',
          'Name',
          'Payee',
          'Prepared for',
          'Staff name',
          'Personnel',
        ],
        employer_name: ['Employer', 'Company', 'Paid by', 'Your employer'],
        national_number: NATIONAL,
        period: [
          'Pay period',
          'Period',
          'For the period',
          'Payroll period',
          'Wage month',
          'Period covered',
          'Earnings for',
        ],
        pay_date: ['Pay date', 'Payment date', 'Date paid', 'Paid into bank on', 'Value date', 'Credited on'],
        gross_pay: [
          'Gross pay',
          'Total earnings',
          'Total payments',
          'Gross this month',
          'Total gross',
          'Gross for period',
          'Taxable gross pay',
        ],
        net_pay: [
          'Net pay',
          'Net payable',
          'Amount paid',
          'You take home',
          'Net to bank',
          'Net amount paid',
          'NET PAY THIS MONTH',
        ],
        year_to_date_gross: [
          'Gross pay to date',
          'Gross YTD',
          'Year-to-date gross',
          'Total gross to date',
          'Earnings year to date',
          'Gross since 1 January',
          'Cumulative gross pay',
        ],
      },
      small: [
        'Keep this slip: a copy costs EUR 5.00. Queries to the pay office before the 10th.',
        'This is a computer-made document and needs no signature.',
      ],
    },
  ],
  utility_bill: [
    {
      titles: [
        'Your electricity bill',
        'Bill',
        'Energy statement',
        'Water & sewerage charges',
        'Broadband: your monthly bill',
        'Invoice for electricity',
      ],
      labels: {
        account_holder: ['Account name', 'Customer', 'Bill payer', 'Name on account'],
        service_address: [
          'Supplied to',
          'Property',
          'Supply point address',
          'Address of the property',
          'For supply at',
          'Installation address',
        ],
        issue_date: ['Bill date', 'Date of issue', 'Invoice date', 'Date of this bill', 'Dated', 'Tax point'],
        account_number: [
          'Customer account number',
          'Account ref.',
          'Customer number',
          'Your reference',
          'Account no.',
          'Customer reference',
        ],
        amount_due: [
          'Total to pay',
          'Total amount due',
          'Balance to pay',
          'Please pay this amount',
          'Amount to be collected',
          'New balance',
          'Total now due',
        ],
      },
      small: [
        'Moving home? Tell us two days before. Emergencies: 0800 555 010, day and night.',
        'You can pay at any post office. A late fee of EUR 6.00 may be charged.',
      ],
    },
    {
      titles: ['Facture', 'Votre facture d’eau', 'Facture d’énergie', 'Facture internet'],
      labels: {
        account_holder: ['Client', 'Titulaire du contrat', 'Nom', 'Abonné'],
        service_address: [
          'Lieu de consommation',
          'Adresse du point de livraison',
          'Point de livraison',
          'Adresse desservie',
        ],
        issue_date: ['Date de la facture', 'Émise le', 'Date', 'Facture du'],
        account_number: ['N° client', 'Numéro de contrat', 'Référence', 'Compte client'],
        amount_due: ['Net à payer', 'Montant total TTC', 'Total à payer', 'Somme à régler', 'Montant dû'],
      },
      small: ['En cas de retard, une pénalité de 3 % sera appliquée. Service client : 09 69 00 00 00.'],
    },
    {
      titles: ['Factura', 'Factura de la luz', 'Recibo de agua', 'Su factura'],
      labels: {
        account_holder: ['Titular', 'Nombre', 'Cliente', 'Abonado'],
        service_address: [
          'Punto de suministro',
          'Dirección del suministro',
          'Domicilio de suministro',
          'Lugar de consumo',
        ],
        issue_date: ['Fecha de factura', 'Emitida el', 'Fecha de emisión', 'Fecha'],
        account_number: ['Nº de contrato', 'Referencia de cliente', 'N.º cliente', 'Contrato'],
        amount_due: ['Total factura', 'Importe a pagar', 'Total a abonar', 'A pagar'],
      },
      small: ['El cargo en su cuenta se hará a los diez días. Atención al cliente: 900 000 000.'],
    },
  ],
  insurance_cover: [
    {
      titles: [
        'Certificate of marine insurance',
        'Cover note',
        'Marine hull policy: schedule',
        'Vessel insurance certificate',
        'Confirmation of cover',
        'Temporary cover note',
      ],
      labels: {
        policy_number: [
          'Policy',
          'Policy no',
          'Certificate no.',
          'Your policy number',
          'Cover note number',
          'Contract number',
        ],
        insured_name: [
          'The insured',
          'Insured',
          'Name of assured',
          'Policy holder',
          'Insured person',
          'Policyholder name',
        ],
        vessel_name: BOAT,
        period: ['Period of insurance', 'Policy period', 'Term of cover', 'Insured period', 'Period'],
        cover_start: [
          'Effective from',
          'From',
          'Start date',
          'Commencement date',
          'Inception date',
          'Attaching',
        ],
        cover_end: ['To', 'Expiry date', 'Ends', 'Expires', 'Renewal date', 'Until'],
        sum_insured: [
          'Sum insured',
          'Hull value',
          'Insured for',
          'Total insured value',
          'Agreed hull value',
          'Limit of cover',
        ],
        premium: [
          'Premium',
          'Total premium',
          'Gross premium',
          'Premium incl. tax',
          'Annual cost',
          'Premium payable',
        ],
      },
      prose: [
        'This is to certify that insurance has been effected on the motor vessel {vessel_name}' +
          ', the property of {insured_name}, under policy number {policy_number}' +
          ', for twelve months at noon from {cover_start} to {cover_end}' +
          ', for a sum insured of {sum_insured}. Premium: {premium}.',
        '{insured_name} has taken out cover no. {policy_number} with this company. Vessel insured: ' +
          '{vessel_name}. The cover commences on {cover_start} and expires on {cover_end}. ' +
          'Amount insured {sum_insured}; premium {premium}, tax included.',
        'Dear {insured_name},||your boat {vessel_name} is insured with us. ' +
          'The policy ({policy_number}) starts on {cover_start} and ends on {cover_end}. ' +
          'Should she be lost we pay up to {sum_insured}. You pay a premium of {premium} for the year.',
        'We hereby certify that {insured_name} is covered with us for the vessel {vessel_name} under ' +
          'policy {policy_number} for the period {period}. ' +
          'Hull and machinery are insured for {sum_insured}; the premium is {premium}.',
        'Policy {policy_number}. In consideration of a premium of {premium} we insure {insured_name} ' +
          'in respect of {vessel_name} up to {sum_insured} from {cover_start} until {cover_end}' +
          ', both days included.',
      ],
      small: [
        'Warranted laid up from 1 November to 1 March unless agreed otherwise. Excess EUR 400.00.',
        'This note is subject to the terms of the policy, a copy of which is to be had on request.',
      ],
    },
  ],
  vessel_registration: [
    {
      titles: [
        'Certificate of registration',
        'Certificate of Registry',
        'Small ships register',
        'Registration document',
        'Register extract',
      ],
      labels: {
        registration_number: [
          'Registration no.',
          'Official no.',
          'Register no.',
          'Number in the register',
          'Registration mark',
          'ON',
        ],
        vessel_name: BOAT,
        hull_number: HULL,
        owner_name: [
          'Registered owner(s)',
          'Owner',
          'Owned by',
          'Name of owner',
          'Owner and address',
          'Registered keeper',
        ],
        issue_date: [
          'Issued',
          'Date of issue',
          'Certificate issued on',
          'Issued at Merrow on',
          'Effective date',
        ],
        expiry_date: [
          'Expiry date',
          'Valid to',
          'Certificate expires',
          'Expires on',
          'Valid up to and including',
          'This certificate ceases to be valid on',
        ],
      },
      prose: [
        'It is hereby certified that the ship {vessel_name}' +
          ', of hull identification number {hull_number}' +
          ', was registered at Port Ellery on {issue_date} under official number {registration_number}' +
          ', and that {owner_name} is the sole owner thereof. ' +
          'The registration remains in force until {expiry_date}.',
        'Register no. {registration_number}. The craft named {vessel_name} bearing hull number ' +
          '{hull_number} belongs to {owner_name}. Registered on {issue_date}; ' +
          'registration to be renewed by {expiry_date}.',
        'We certify that the {vessel_name} (hull no. ' +
          '{hull_number}) has been entered in Part I of the register with official number ' +
          '{registration_number}. Her owner is {owner_name}. Given under my hand on {issue_date}. ' +
          'This certificate expires on {expiry_date}.',
      ],
      small: [
        'Not a document of title. To be kept on board and shown on demand.',
        'Changes are to be notified to the Registrar within 28 days.',
      ],
    },
  ],
  credit_consent: [
    {
      titles: [
        'Credit check consent',
        'Permission to search credit files',
        'Credit search authorisation',
        'Consent: credit reference agencies',
        'Data consent form',
      ],
      labels: {
        applicant_name: [
          'I, the undersigned',
          'Full name',
          'Name in block letters',
          'Customer name',
          'Applicant',
          'Name(s)',
        ],
        national_number: NATIONAL,
      },
      prose: [
        'I ({applicant_name}, national number {national_number}' +
          ') authorise the society to carry out a credit search with any licensed reference agency and ' +
          'to keep the result on file.',
        'By this form {applicant_name}, holder of national number {national_number}, agrees to enquiries being made of credit reference agencies.',
        'I, {applicant_name}, national number {national_number}' +
          ', hereby give Merrow Sound Mutual permission to obtain information about me from credit ' +
          'reference agencies.',
        'I, the undersigned {applicant_name} (national no. {national_number}), consent to a search of my credit history in connection with my loan.',
      ],
      small: [
        'I understand that the search will be recorded by the agency. This consent lapses after six months.',
        'You may withdraw at any time by writing to the data officer.',
      ],
      sign: SIGN,
      signDate: SIGN_DATE,
    },
  ],
  purchase_quote: [
    {
      titles: [
        'Quotation',
        'Quote',
        'Proposal',
        'Offer for supply',
        'Price quotation',
        'Pro-forma quotation',
        'Estimate',
      ],
      labels: {
        quote_number: ['Quotation no', 'Quote ref', 'Ref.', 'Document no.', 'Our offer', 'Number'],
        quote_date: ['Date', 'Quotation date', 'Date issued', 'Issue date', 'Dated'],
        valid_until: [
          'Valid until',
          'Expires',
          'Valid to',
          'Price valid until',
          'Offer expires',
          'Quote valid through',
        ],
        buyer_name: ['To', 'Customer', 'Quote for', 'Client name', 'Prepared for', 'Attention of'],
        vessel_name: BOAT,
        hull_number: HULL,
        net_amount: ['Subtotal', 'Net', 'Total net', 'Goods total', 'Total excl. VAT', 'Amount before VAT'],
        vat_amount: ['VAT 20%', 'VAT @ 20%', 'Plus VAT', 'Tax', 'VAT amount', 'Value-added tax 20%'],
        total_price: [
          'Total',
          'Total incl. VAT',
          'Total due',
          'Amount payable',
          'TOTAL EUR',
          'Gross total',
          'Total to pay',
        ],
      },
      heads: [
        ['Item', 'Qty', 'Price', 'Total'],
        ['Description of goods', 'Quantity', 'Unit cost', 'Line total'],
        ['Pos. / Article', 'No.', 'Each', 'Value'],
        ['What you get', 'Units', 'Rate', 'Amount'],
        ['Product', 'Qty.', 'Unit price €', 'Price €'],
      ],
      small: [
        'Delivery ex yard, twelve weeks from order. Twenty per cent with the order.',
        'Goods remain ours until paid in full. E & OE.',
      ],
    },
    {
      titles: ['Devis', 'Offre de prix', 'Proposition commerciale', 'Devis estimatif'],
      labels: {
        quote_number: ['N° de devis', 'Devis n°', 'Référence', 'Numéro'],
        quote_date: ['Date', 'Date d’émission', 'Fait le', 'En date du'],
        valid_until: [
          'Valable jusqu’au',
          'Date de validité',
          'Offre valable jusqu’au',
          'Échéance de l’offre',
        ],
        buyer_name: ['Client', 'Destinataire', 'À l’attention de', 'Pour'],
        vessel_name: ['Navire', 'Bateau', 'Nom du bateau', 'Embarcation'],
        hull_number: ['N° de coque', 'Numéro de coque', 'Coque n°', 'CIN'],
        net_amount: ['Total HT', 'Sous-total HT', 'Montant HT', 'Total hors taxes'],
        vat_amount: ['TVA 20 %', 'TVA (20 %)', 'Montant TVA', 'Total TVA'],
        total_price: ['Total TTC', 'Montant TTC', 'Net à payer', 'Total toutes taxes comprises'],
      },
      heads: [
        ['Désignation', 'Qté', 'PU HT', 'Total HT'],
        ['Article', 'Quantité', 'Prix unitaire', 'Montant'],
        ['Libellé', 'Nbre', 'Prix', 'Montant HT'],
      ],
      small: [
        'Acompte de 30 % à la commande, solde à la livraison.',
        'Bon pour accord, date et signature du client.',
      ],
    },
    {
      titles: ['Presupuesto', 'Oferta', 'Oferta comercial', 'Cotización'],
      labels: {
        quote_number: ['Presupuesto nº', 'Nº', 'Referencia', 'Número de presupuesto'],
        quote_date: ['Fecha', 'Fecha de emisión', 'Con fecha'],
        valid_until: ['Válido hasta', 'Validez hasta', 'Fecha de validez', 'Caduca el'],
        buyer_name: ['Cliente', 'Para', 'A la atención de', 'Destinatario'],
        vessel_name: ['Embarcación', 'Barco', 'Nombre de la embarcación', 'Buque'],
        hull_number: ['Nº de casco', 'Número de casco', 'Casco', 'CIN'],
        net_amount: ['Base imponible', 'Total neto', 'Importe neto', 'Suma'],
        vat_amount: ['IVA 20 %', 'IVA (20 %)', 'Cuota IVA', 'Importe IVA'],
        total_price: ['Total', 'Total con IVA', 'Importe total', 'TOTAL EUR'],
      },
      heads: [
        ['Descripción', 'Cant.', 'Precio', 'Importe'],
        ['Concepto', 'Unidades', 'Precio unitario', 'Total'],
        ['Artículo', 'Cantidad', 'P. unitario', 'Importe'],
      ],
      small: ['Plazo de entrega: tres meses. Forma de pago: 30 % al pedido.'],
    },
  ],
  bank_statement: [
    {
      titles: [
        'Statement',
        'Statement of account',
        'Your account statement',
        'Account statement',
        'Bank account summary',
        'Current account',
      ],
      labels: {
        account_holder: ['Account holder', 'Name', 'Account title', 'Customer name', 'Held by', 'Account of'],
        holder_address: ['Address', 'Mailing address', 'Registered address', 'Address on file'],
        iban: ['IBAN', 'Account no. (IBAN)', 'IBAN number', 'International bank account number'],
        period: [
          'Statement period',
          'Period',
          'From – to',
          'This statement covers',
          'Activity from',
          'Account activity',
        ],
        opening_balance: [
          'Opening balance',
          'Balance brought forward',
          'Start balance',
          'Previous balance',
          'Your opening balance',
          'Balance last statement',
          'Starting balance',
        ],
        closing_balance: [
          'Closing balance',
          'Balance carried forward',
          'End balance',
          'New balance',
          'Your closing balance',
          'Balance this statement',
          'Ending balance',
        ],
      },
      heads: [
        ['Date', 'Details', 'Amount', 'Balance'],
        ['Posted', 'Transaction details', 'Amount (EUR)', 'Balance (EUR)'],
        ['Date', 'Type and description', 'Value', 'Running total'],
        ['Entry date', 'Narrative', 'Debit', 'Credit', 'Balance'],
        ['Date', 'Payment details', 'Paid out', 'Paid in', 'Balance'],
        ['Date', 'Description', 'Withdrawn', 'Paid in', 'Balance'],
        ['Date', 'What', '− Out', '+ In', 'Balance'],
      ],
      small: [
        'Please check each entry and tell us within 60 days of any that you do not know.',
        'Your deposits are protected up to EUR 100,000.00.',
      ],
    },
  ],
  loan_application: [
    {
      titles: [
        'Loan application',
        'Working boat loan: application form',
        'Application for finance',
        'Apply for a boat loan',
        'Finance application',
      ],
      labels: {
        application_number: [
          'Application no',
          'Application ref',
          'Case number',
          'Ref. no.',
          'Application reference',
        ],
        application_date: ['Application date', 'Date', 'Date of this application', 'Date received'],
        applicant_name: [
          'Full name',
          'Applicant name',
          'Name of main applicant',
          'First applicant',
          'Name (as on your passport)',
        ],
        date_of_birth: ['Date of birth', 'DOB', 'Born', 'Birthday'],
        national_number: NATIONAL,
        home_address: [
          'Home address',
          'Address',
          'Current address',
          'Address and postcode',
          'Where do you live?',
        ],
        phone: ['Phone', 'Telephone number', 'Mobile number', 'Daytime phone', 'Contact number'],
        email: ['Email', 'E-mail', 'Email address', 'Your e-mail'],
        employer_name: [
          'Employer',
          'Employer name',
          'Who do you work for?',
          'Company you work for',
          'Name of your employer',
        ],
        monthly_net_income: [
          'Monthly net income',
          'Net monthly income',
          'Monthly income (net)',
          'Net income per month',
          'Take-home pay a month',
          'How much do you earn each month after tax?',
        ],
        loan_amount: [
          'Loan amount',
          'Amount required',
          'Loan required',
          'Amount to borrow',
          'How much would you like to borrow?',
          'Finance amount',
        ],
        loan_term_months: [
          'Term (months)',
          'Loan term in months',
          'Repayment period (months)',
          'Number of months',
          'Over how many months?',
        ],
        purchase_price: [
          'Purchase price',
          'Cost of boat',
          'Total purchase price',
          'Price of vessel',
          'Boat price incl. VAT',
        ],
        deposit_amount: ['Deposit', 'Deposit paid', 'Own contribution', 'Your contribution', 'Cash deposit'],
        vessel_name: BOAT,
        hull_number: HULL,
        iban: ['IBAN', 'Bank account (IBAN)', 'Your account (IBAN)', 'Repayments from IBAN'],
        co_applicant_name: [
          'Co-applicant',
          'Second applicant',
          'Joint applicant’s name',
          'Name of second applicant',
          'Partner applying with you',
        ],
        employment_status: ['Employment status', 'Employment', 'Your work', 'Are you', 'Occupational status'],
        existing_loan: [
          'Existing loans',
          'Do you have other loans?',
          'Any existing loan?',
          'Other borrowing',
          'Loans with others',
        ],
      },
      small: [
        'I confirm that the details given are true and complete. False statements may be a criminal offence.',
        'By signing I ask Merrow Sound Mutual to consider my application.',
      ],
      sign: SIGN,
      signDate: SIGN_DATE,
    },
  ],
  employment_letter: [
    {
      titles: [
        'Confirmation of employment',
        'To whom it may concern',
        'Employment reference',
        'Employer’s letter',
        'Proof of employment',
      ],
      labels: {
        employee_name: ['Employee', 'Name', 'Re', 'Our employee'],
        employer_name: ['Employer', 'Company'],
        job_title: ['Position', 'Job title', 'Role', 'Employed as', 'Post held'],
        start_date: ['Start date', 'Date joined', 'Employed since', 'With us since', 'Commenced'],
        annual_salary: [
          'Annual salary',
          'Gross annual salary',
          'Basic salary p.a.',
          'Salary (per year)',
          'Remuneration p.a.',
        ],
        letter_date: ['Date', 'Dated', 'Our letter of'],
      },
      prose: [
        'Date: {letter_date}||Dear Sirs,||{employee_name} has worked for this company since ' +
          '{start_date}. The position held is that of {job_title}' +
          ', and the yearly gross salary amounts to {annual_salary}. ' +
          'The employment is not limited in time.||{employer_name}',
        '{letter_date}||We hereby confirm that {employee_name} is an employee of {employer_name}' +
          ', having joined the company on {start_date}. ' +
          'In the role of {job_title} the annual gross remuneration is {annual_salary}.',
        'This is to confirm the employment of {employee_name} with {employer_name} as {job_title}' +
          ', on a full-time and permanent contract which commenced on {start_date}' +
          ', at a gross salary of {annual_salary} per annum.||{letter_date}',
        '{letter_date}||To whom it may concern||This letter confirms that {employee_name} joined ' +
          '{employer_name} on {start_date} and is currently employed as a {job_title} on a permanent ' +
          'basis. The basic salary is {annual_salary} per annum.',
        '{letter_date}||Re: {employee_name}||Dear Sir or Madam,||The above has been with us since ' +
          '{start_date}, holds the post of {job_title} and is paid {annual_salary} a year before ' +
          'deductions. We know of no reason why this should change.||{employer_name}',
        'We, {employer_name}, confirm the following about our {job_title} {employee_name}: ' +
          'start of employment {start_date}; gross pay {annual_salary} per year; not on probation. ' +
          'Written on {letter_date}.',
      ],
      small: ['Given without liability on our part.', 'Please address questions to Personnel.'],
      sign: ['Yours sincerely', 'For and on behalf of the company', 'HR Manager', 'Director'],
    },
  ],
  tax_assessment: [
    {
      titles: [
        'Tax assessment',
        'Income tax: notice of assessment',
        'Statement of income tax',
        'Your tax calculation',
        'Tax computation',
      ],
      labels: {
        taxpayer_name: ['Taxpayer', 'Name of taxpayer', 'Assessed person', 'Issued to', 'Name'],
        national_number: NATIONAL,
        tax_year: ['Tax year', 'Year', 'For tax year', 'Period: year', 'Year assessed'],
        total_income: [
          'Total income',
          'Total income for the year',
          'Income from all sources',
          'Total income received',
          'Aggregate income',
        ],
        tax_due: ['Tax due', 'Total tax due', 'Tax payable', 'Income tax due', 'Tax for the year', 'You owe'],
        issue_date: ['Date of issue', 'Issued', 'Date', 'Notice issued on', 'Date of assessment'],
      },
      prose: [
        'Notice issued on {issue_date} to {taxpayer_name} (national number {national_number}). ' +
          'For the tax year {tax_year} your total income has been assessed at {total_income}' +
          ', on which income tax of {tax_due} is payable.',
        '{taxpayer_name}|National number: {national_number}' +
          '||Your income for the year {tax_year} came to {total_income}. ' +
          'The tax due on it is {tax_due}. Date of this notice: {issue_date}.',
      ],
      small: ['You may appeal within 30 days. Interest runs on unpaid tax.', 'Payment slips are sent apart.'],
    },
  ],
  business_accounts: [
    {
      titles: [
        'Accounts for the year',
        'Sole trader accounts',
        'Income statement',
        'Profit & loss account',
        'Financial statements',
      ],
      labels: {
        business_name: ['Trading as', 'Business name', 'Name of business', 'Trading name'],
        owner_name: ['Proprietor', 'Owner', 'Prepared for', 'Sole proprietor', 'Business owner'],
        period: ['For the year', 'Accounting year', 'Year', 'Period of account', 'Accounts period'],
        turnover: ['Turnover', 'Sales', 'Total income from trade', 'Revenue', 'Total turnover'],
        net_profit: [
          'Net profit',
          'Profit for the year',
          'Profit before tax',
          'Net profit for year',
          'Surplus for the year',
        ],
      },
      body: [
        'Depreciation is charged at 20 per cent of written-down value. Repairs are written off as they arise.',
        'Drawings by the proprietor amounted to the usual sums and are shown in the capital account.',
        'Motor and boat running costs include fuel, berthing and insurance. No staff were employed in the year.',
        'The accounts have been prepared from records and explanations given, without an audit.',
      ],
      small: ['I approve these accounts.', 'Approved by the proprietor, who is responsible for them.'],
      pages: [2, 3],
      sign: ['Proprietor', 'Signed', 'Approved by proprietor', 'Owner’s signature'],
      signDate: SIGN_DATE,
    },
  ],
  survey_report: [
    {
      titles: [
        'Survey report',
        'Pre-purchase survey',
        'Condition survey',
        'Report on survey and valuation',
        'Marine survey',
      ],
      labels: {
        report_number: ['Report no', 'Report reference', 'Ref', 'Survey ref.', 'Job no.'],
        surveyor_name: ['Surveyor', 'Surveyed by', 'Report by', 'Name of surveyor', 'Survey carried out by'],
        inspection_date: [
          'Survey date',
          'Inspected',
          'Date of survey',
          'Inspection date',
          'Date of visit',
          'Examined afloat on',
        ],
        vessel_name: BOAT,
        hull_number: HULL,
        market_value: [
          'Market value',
          'Valuation',
          'Estimated value',
          'Our valuation',
          'Open market value',
          'Current value',
        ],
      },
      body: [
        'The hull was hammer tested at close intervals and found sound. Light fairing is recommended along the garboard.',
        'Engine started at first turn; no smoke after five minutes. Belts and hoses are near the end of their life.',
        'Electrical: batteries are secured, wiring is tinned and labelled. Navigation lights were proved.',
        'Safety: flares out of date by next spring. Liferaft in date. Fire blanket to be renewed.',
        'Deck and superstructure: some crazing of gelcoat at the stanchions, of no structural concern.',
        'Steering and rudder: slight play in the lower bearing, within tolerance for this type of craft.',
      ],
      small: [
        'This report is for the named client alone. No liability is taken towards others.',
        'In our opinion the vessel is a fair risk once the points above are dealt with.',
      ],
      pages: [3, 4, 5],
      last: ['market_value'],
      sign: ['Surveyor', 'Signed', 'Signature', 'Surveyor’s signature'],
      signDate: SIGN_DATE,
    },
    {
      titles: ['Rapport d’expertise', 'Expertise avant achat', 'Rapport de visite'],
      labels: {
        report_number: ['Dossier n°', 'Rapport n°', 'Réf.', 'N° de rapport'],
        surveyor_name: ['Expert', 'Expert maritime', 'Établi par', 'Nom de l’expert'],
        inspection_date: ['Date de visite', 'Visite du', 'Date d’expertise', 'Inspecté le'],
        vessel_name: ['Navire', 'Bateau', 'Nom', 'Nom du bateau'],
        hull_number: ['N° de coque', 'Coque n°', 'Numéro de coque', 'CIN'],
        market_value: ['Valeur vénale', 'Valeur estimée', 'Estimation', 'Valeur du navire'],
      },
      body: [
        'La coque a été sondée au marteau ; aucun défaut grave n’a été relevé. Un carénage est conseillé.',
        'Le moteur démarre sans fumée. Les durites sont à remplacer à la prochaine saison.',
        'L’installation électrique est saine. Les feux de route fonctionnent.',
        'Le matériel de sécurité est à bord ; les fusées sont à renouveler.',
      ],
      small: ['Le présent rapport est établi pour le seul demandeur.'],
      pages: [2, 3],
      last: ['market_value'],
      sign: ['L’expert', 'Signature', 'Signature de l’expert'],
      signDate: ['Date', 'Fait le', 'Le'],
    },
    {
      titles: ['Informe pericial', 'Peritaje', 'Informe de inspección'],
      labels: {
        report_number: ['Informe nº', 'Expediente', 'Ref.', 'Nº de informe'],
        surveyor_name: ['Perito', 'Realizado por', 'Perito naval', 'Nombre del perito'],
        inspection_date: [
          'Fecha de inspección',
          'Fecha de visita',
          'Inspeccionado el',
          'Visita realizada el',
        ],
        vessel_name: ['Embarcación', 'Barco', 'Nombre', 'Buque'],
        hull_number: ['Nº de casco', 'Casco', 'Número de casco', 'CIN'],
        market_value: ['Valor de mercado', 'Valoración', 'Valor estimado', 'Tasación'],
      },
      body: [
        'El casco fue golpeado con martillo sin hallar defectos graves. Se aconseja una varada.',
        'El motor arranca sin humo. Los manguitos deben cambiarse pronto.',
        'La instalación eléctrica está en buen estado. Las luces de navegación funcionan.',
        'El equipo de seguridad está a bordo; las bengalas caducan este año.',
      ],
      small: ['Este informe se emite sólo para el solicitante.'],
      pages: [2, 3],
      last: ['market_value'],
      sign: ['El perito', 'Firma', 'Firma del perito'],
      signDate: ['Fecha', 'A fecha de'],
    },
  ],
  fishing_licence: [
    {
      titles: [
        'Fishing vessel licence',
        'Commercial fishing licence',
        'Licence',
        'Sea fisheries licence',
        'Licence to take fish for sale',
      ],
      labels: {
        licence_number: ['Licence no', 'Licence number', 'No.', 'Licence ref.', 'Entitlement number'],
        holder_name: ['Licensee', 'Holder', 'Name of licence holder', 'Granted to', 'Licensed person'],
        vessel_name: BOAT,
        valid_from: ['Valid from', 'From', 'Start date', 'In force from', 'Commences'],
        valid_until: ['Valid to', 'To', 'Expires', 'Expiry', 'Until', 'Ceases'],
        period: ['Validity', 'Period of licence', 'Valid', 'Licence period'],
      },
      prose: [
        'The Skerrow Fisheries Office licenses {holder_name}' +
          ', being the owner of the vessel {vessel_name}' +
          ', to fish commercially under licence number {licence_number}. ' +
          'This licence is valid from {valid_from} to {valid_until} inclusive.',
        'Licence {licence_number} granted to {holder_name} in respect of {vessel_name}. ' +
          'It comes into force on {valid_from} and ceases to have effect on {valid_until}.',
        'Licence no. {licence_number} is hereby granted to {holder_name} to fish for sale from the ' +
          'vessel {vessel_name} from {valid_from} until {valid_until}' +
          ', subject to the conditions overleaf.',
      ],
      small: [
        'Subject to the Sea Fisheries Order. Landings to be declared. Not transferable.',
        'Conditions: shellfish under size to be returned at once.',
      ],
    },
  ],
  berth_agreement: [
    {
      titles: [
        'Berth licence',
        'Mooring contract',
        'Berthing agreement',
        'Licence to berth a vessel',
        'Annual mooring agreement',
      ],
      labels: {
        berth_holder: ['Berth holder', 'Licensee', 'Customer', 'Name of owner', 'Mooring holder'],
        harbour_name: ['Harbour', 'Harbour operator', 'Licensor', 'The company'],
        vessel_name: BOAT,
        start_date: ['Start date', 'From', 'Commencing', 'Period from', 'Beginning'],
        end_date: ['End date', 'To', 'Terminating', 'Period to', 'Ending'],
        period: ['Term', 'Period', 'Licence period', 'Duration'],
        annual_fee: [
          'Annual charge',
          'Berthing fee (annual)',
          'Yearly rate',
          'Charge per annum',
          'Annual rent',
          'Annual fee',
        ],
      },
      prose: [
        'THIS AGREEMENT is made between {harbour_name}, the owner of the moorings, and {berth_holder}' +
          ', hereafter the customer, whose vessel {vessel_name} is to lie at berth C14.|Period: ' +
          '{start_date} to {end_date}.|Charges: {annual_fee} per year, payable each January.',
        '{harbour_name} lets to {berth_holder} a berth for the boat {vessel_name}. ' +
          'The letting begins on {start_date} and, unless renewed, ends on {end_date}. ' +
          'The rent is {annual_fee} per annum.',
        'In return for an annual payment of {annual_fee}' +
          ', {harbour_name} grants {berth_holder} the right to berth {vessel_name} in the inner basin ' +
          'between {start_date} and {end_date}.',
        'This licence is granted by {harbour_name} to {berth_holder} (“the Licensee”) to moor the ' +
          'vessel {vessel_name} at a berth to be allotted by the harbour master.|The term runs from ' +
          '{start_date} to {end_date}.|The Licensee shall pay {annual_fee} a year, in advance.',
      ],
      body: [
        'The licensee shall keep the vessel insured against third-party risks for not less than EUR 3,000,000.00.',
        'No work other than minor running repairs is to be done on the berth without leave of the harbour master.',
        'The company may move the vessel in an emergency and charge the cost.',
        'Either party may end this agreement by three months’ notice in writing.',
        'Dogs are to be kept on a lead. Rubbish is to be taken ashore.',
      ],
      small: ['The parties have read and accept the conditions.'],
      pages: [2, 3, 4],
      sign: ['Signed by the licensee', 'Berth holder', 'Customer’s signature', 'Licensee'],
      signDate: SIGN_DATE,
    },
  ],
  loan_payoff: [
    {
      titles: [
        'Settlement statement',
        'Early settlement figure',
        'Loan balance',
        'Redemption figure',
        'Balance certificate',
        'Payoff statement',
      ],
      labels: {
        lender_name: ['Lender', 'Creditor', 'Issued by'],
        borrower_name: ['Borrower', 'Customer name', 'Account holder', 'Name', 'Debtor'],
        loan_number: ['Loan no', 'Account number', 'Loan account number', 'Agreement no.', 'Contract ref.'],
        outstanding_balance: [
          'Balance',
          'Outstanding balance',
          'Amount owed',
          'Principal outstanding',
          'Amount to settle',
          'Total to settle',
        ],
        monthly_payment: [
          'Monthly payment',
          'Regular payment',
          'Monthly repayment',
          'Instalment (monthly)',
          'Payment per month',
        ],
        statement_date: ['Statement date', 'Date', 'As of', 'Date of statement', 'Balance at'],
      },
      prose: [
        'Date {statement_date}||{borrower_name}|Loan account {loan_number}' +
          '||The balance of your loan on this date stands at {outstanding_balance}. ' +
          'You are paying {monthly_payment} a month.',
        '{lender_name} certifies that on {statement_date} the amount outstanding under loan ' +
          'agreement {loan_number} with {borrower_name} was {outstanding_balance}. ' +
          'Instalments of {monthly_payment} fall due monthly.',
        'Dear {borrower_name},||Re: loan {loan_number}' +
          '||To pay off your loan in full as of {statement_date} you would need to pay us ' +
          '{outstanding_balance}. Until then the instalment of {monthly_payment} continues to be ' +
          'collected each month.',
        '{statement_date}||Account: {loan_number}||Dear {borrower_name}' +
          ',||Thank you for your enquiry. As of today you owe {outstanding_balance} on this loan. ' +
          'Your regular payment of {monthly_payment} per month is up to date.',
        'As at {statement_date} the sum needed to settle loan {loan_number} in the name of ' +
          '{borrower_name} is {outstanding_balance}. The monthly repayment is {monthly_payment}.',
      ],
      small: ['Interest accrues daily at EUR 1.12 after this date.', 'The figure is valid for 28 days.'],
    },
  ],
  debit_mandate: [
    {
      titles: [
        'Direct debit instruction',
        'SEPA mandate',
        'Direct debit mandate',
        'Authority for direct debits',
        'Payment by direct debit',
      ],
      labels: {
        account_holder: ['Name(s) of account holder(s)', 'Account name', 'Your name', 'Debtor name', 'Payer'],
        iban: ['IBAN', 'Your account number – IBAN', 'Bank account number (IBAN)', 'Account'],
      },
      prose: [
        'I, {account_holder}, authorise Merrow Sound Mutual to collect payments from my account {iban} by direct debit, and my bank to honour them.',
        'Account holder {account_holder} hereby instructs the bank to pay direct debits drawn by Merrow Sound Mutual on account IBAN {iban}.',
      ],
      small: [
        'Instruction to your bank: please pay Merrow Sound Mutual direct debits from the account ' +
          'detailed here, subject to the safeguards of the scheme.',
        'You may claim a refund within eight weeks. Mandate type: recurring.',
      ],
      sign: SIGN,
      signDate: SIGN_DATE,
    },
  ],
  account_application: [
    {
      titles: [
        'Business account: application',
        'Account opening request',
        'Open a business account',
        'Application form – trader account',
        'Business banking application',
      ],
      labels: {
        application_number: ['Application no', 'Our reference', 'Case', 'Form number'],
        application_date: ['Date', 'Application date', 'Date completed', 'Submitted'],
        business_name: FIRM,
        company_number: COMPANY,
        registered_address: [
          'Registered office',
          'Registered office address',
          'Registered address',
          'Company address',
          'Principal place of business',
        ],
        contact_name: ['Contact', 'Main contact', 'Primary contact', 'Person to contact', 'Your full name'],
        email: ['Email', 'E-mail address', 'Contact e-mail'],
        phone: ['Phone', 'Tel', 'Telephone number', 'Contact number'],
        expected_monthly_turnover: [
          'Expected monthly turnover',
          'Anticipated turnover per month',
          'Monthly turnover (estimate)',
          'Expected credit turnover per month',
          'How much will go through the account each month?',
        ],
      },
      body: [
        'What the account is for: wages, fuel, sales of catch and chandlery. Countries dealt with: none outside the isles.',
        'The business asks for a debit card for each signatory and paper statements each month.',
      ],
      small: ['I have authority to act for the business.', 'What I have stated is correct.'],
      pages: [1, 2],
      last: ['expected_monthly_turnover'],
      sign: SIGN,
      signDate: SIGN_DATE,
    },
  ],
  incorporation_certificate: [
    {
      titles: [
        'Certificate of incorporation',
        'Certificate of registration of a company',
        'Certificate on incorporation',
        'Registry certificate',
      ],
      labels: {
        business_name: FIRM,
        company_number: COMPANY,
        incorporation_date: [
          'Date of incorporation',
          'Incorporated',
          'Incorporation date',
          'Date registered',
          'Formed on',
        ],
      },
      prose: [
        'It is hereby certified that {business_name}' +
          ', a company limited by shares, was duly incorporated and entered in the register under ' +
          'number {company_number} on {incorporation_date}.',
        'Company no. {company_number}||This is to certify that|{business_name}' +
          '|is this day incorporated as a private company and that the company is ' +
          'limited.||{incorporation_date}',
        'No. {company_number}||I certify that {business_name} was this day incorporated under the ' +
          'Companies Ordinance and that the company is limited.||Given at Merrow, this day, ' +
          '{incorporation_date}',
        'The Registrar of Companies certifies that {business_name} is registered under number ' +
          '{company_number} as a private limited company, incorporated on {incorporation_date}.',
      ],
      small: [
        'Registrar of Companies, Skerrow Isles.',
        'This certificate is evidence that the requirements of the ordinance were met.',
      ],
    },
  ],
  owners_declaration: [
    {
      titles: [
        'Beneficial ownership form',
        'Ultimate beneficial owners',
        'Statement of beneficial ownership',
        'Declaration of owners',
        'Who owns or controls the company?',
      ],
      labels: { business_name: FIRM, company_number: COMPANY },
      heads: [
        ['Full name', 'Date of birth', '% held'],
        ['Name of owner', 'DOB', 'Holding'],
        ['Person', 'Date of birth', 'Percentage of shares'],
        ['Beneficial owner', 'Birth date', 'Interest (%)'],
      ],
      small: [
        'The above are all individuals who hold an interest in the company.',
        'Changes will be notified to the bank within 14 days.',
      ],
      sign: ['Director’s signature', 'Signed by a director', 'Signature', 'For the company'],
      signDate: ['Date', 'Date of declaration', 'Declaration made on', 'Dated'],
    },
  ],
  tax_self_certification: [
    {
      titles: [
        'Tax self-certification',
        'Individual tax residency form',
        'Tax residence declaration',
        'Self-certification: tax residence',
        'Certification of tax status',
      ],
      labels: {
        holder_name: [
          'Name',
          'Full name',
          'Account holder name',
          'Name of account holder',
          'Certifying person',
        ],
        tax_number: ['TIN', 'Tax ID number', 'Taxpayer identification number', 'Tax reference', 'Tax no.'],
        tax_country: [
          'Country of tax residency',
          'Country/jurisdiction of tax residence',
          'Tax resident in',
          'Country',
          'Where are you resident for tax?',
        ],
      },
      prose: [
        'I, {holder_name}, declare that for tax purposes I am resident in {tax_country}, where my tax identification number is {tax_number}.',
        '{holder_name} certifies being tax resident in {tax_country} with TIN {tax_number} and in no other country.',
      ],
      small: [
        'I certify that I am the account holder. Form TR-2, edition 2025.',
        'I undertake to advise of any change within 30 days. Edition 2023.',
      ],
      sign: SIGN,
      signDate: SIGN_DATE,
    },
  ],
  board_resolution: [
    {
      titles: [
        'Board minutes',
        'Minutes of a board meeting',
        'Directors’ resolution',
        'Certified extract of minutes',
        'Resolution of directors',
      ],
      labels: {
        business_name: FIRM,
        meeting_date: ['Date', 'Meeting date', 'Date of the meeting', 'Held on', 'Meeting of'],
      },
      heads: [
        ['Name', 'Capacity'],
        ['Authorised signatory', 'Title'],
        ['Signatory', 'Role'],
        ['Authorised person', 'Office'],
      ],
      prose: [
        'Extract from the minutes of the board of {business_name}, meeting held {meeting_date}' +
          '.||IT WAS RESOLVED THAT {signatories} be and are hereby authorised to operate the account ' +
          'with Merrow Sound Mutual.',
        'We, the directors of {business_name}, met on {meeting_date} and decided as follows: ' +
          'the company shall open an account; the persons entitled to sign for it are {signatories}.',
        'At a meeting of the board of {business_name} on {meeting_date} it was unanimously resolved ' +
          'that an account be opened with Merrow Sound Mutual and that {signatories} be appointed ' +
          'signatories, each to sign alone.',
        '{business_name}|Minutes of the board meeting of {meeting_date}||Resolved: ' +
          'to open a business account, to be operated by {signatories} jointly.',
      ],
      small: [
        'Resolved that the following be authorised to sign on the account:',
        'The meeting appointed as signatories:',
      ],
      sign: ['Chair', 'Company secretary', 'Certified true', 'Director'],
    },
  ],
}
