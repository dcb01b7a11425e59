/** Wordings that designers of such papers might choose, in three languages; the designer throws dice among them. */
export const PERSONAL_WORDS = ['National number', 'Personal no.', 'National ID', 'Nat. ID no', 'National identity no.', 'Citizen no.']
export const HULL_WORDS = ['Hull number', 'Hull no.', 'HIN', 'Hull ID', 'Number of hull', 'Identification of hull', 'Hull ident.']
export const VESSEL_WORDS = ['Vessel', 'Boat', 'Name of the boat', 'Vessel’s name', 'Craft', 'Boat name', 'Ship’s name', 'Vessel concerned']

export const PAYSLIP_WORDS = {
  title: ['Payslip', 'Pay advice', 'Salary statement', 'Wage slip', 'Earnings slip', 'Monthly salary slip', 'Statement of wages'],
  employee: ['Employee', 'Name', 'Staff member', 'Employee name', 'Paid to', 'Worker’s name', 'Name of the employee'],
  national: PERSONAL_WORDS,
  period: ['Pay period', 'Period', 'Month of work', 'Wage period', 'Period worked', 'For'],
  paid: ['Pay date', 'Paid on', 'Date of payment', 'Transfer date', 'Payday', 'Payment made on'],
  gross: ['Gross pay', 'Gross', 'Total gross', 'Gross salary', 'Pay before deductions', 'Gross earnings', 'Gross amount'],
  net: ['Net pay', 'Take-home pay', 'Net salary', 'Paid out', 'Net amount', 'Net wages', 'Net paid to bank'],
  year: ['Gross year to date', 'Year to date gross', 'Gross so far this year', 'Cumulative gross', 'YTD gross', 'Total gross this year'],
}
export const BILL_WORDS = {
  title: ['Electricity bill', 'Water bill', 'Broadband bill', 'Your energy bill', 'Facture d’électricité', 'Facture d’eau', 'Factura de luz', 'Factura de electricidad', 'Statement for your water supply'],
  holder: ['Customer', 'Account holder', 'Customer name', 'Name', 'Titulaire', 'Nom du client', 'Titular del contrato', 'Cliente', 'Bill for'],
  address: ['Supply address', 'Service address', 'Address of supply', 'Premises supplied', 'Adresse de fourniture', 'Adresse du logement', 'Dirección de suministro', 'Dirección', 'Place of supply'],
  issued: ['Bill date', 'Date of bill', 'Issued', 'Invoice date', 'Date d’émission', 'Date de facturation', 'Fecha de emisión', 'Fecha', 'Date issued'],
  account: ['Account number', 'Customer no.', 'Account no.', 'Contract number', 'N° de client', 'Référence client', 'N.º de cliente', 'Número de contrato', 'Your account'],
  due: ['Amount due', 'Total due', 'To pay', 'Please pay', 'Montant à payer', 'Total TTC à payer', 'Importe total', 'Total a pagar', 'Amount payable now'],
}
export const COVER_WORDS = {
  title: ['Marine cover note', 'Certificate of insurance', 'Evidence of insurance', 'Hull insurance cover note', 'Insurance confirmation', 'Boat insurance schedule'],
  policy: ['Policy number', 'Policy no.', 'Cover note no.', 'Certificate number', 'Reference of the policy', 'Contract no.'],
  insured: ['Insured', 'Policyholder', 'Name of the insured', 'Assured', 'Insured party', 'Holder of the policy'],
  vessel: VESSEL_WORDS,
  period: ['Period of cover', 'Insurance period', 'Cover period', 'Period insured', 'Duration of cover', 'Dates of cover'],
  from: ['Cover from', 'Start of cover', 'Cover begins on', 'Valid from', 'In force from', 'Inception'],
  to: ['Cover to', 'End of cover', 'Cover ends on', 'Valid until', 'In force to', 'Expiry'],
  sum: ['Sum insured', 'Insured value', 'Amount insured', 'Agreed value', 'Cover limit for the hull', 'Total sum insured', 'Value insured'],
  premium: ['Premium', 'Annual premium', 'Premium due', 'Total premium', 'Premium for the year', 'Cost of cover'],
}
export const REGISTRATION_WORDS = {
  title: ['Certificate of registry', 'Vessel registration certificate', 'Registration of a small ship', 'Ship’s registration certificate', 'Boat registration', 'Certificate of boat registration'],
  number: ['Registration number', 'Registry number', 'Official number', 'Reg. no.', 'Register entry', 'Registered under no.'],
  vessel: VESSEL_WORDS,
  hull: HULL_WORDS,
  owner: ['Owner', 'Registered owner', 'Owner’s name', 'Name of owner', 'Proprietor', 'Property of'],
  issued: ['Date of issue', 'Issued on', 'Registered on', 'Date of registration', 'Issue date', 'Entered in the register on'],
  expires: ['Expires', 'Valid until', 'Date of expiry', 'Registration ends', 'Good until', 'Renewal by'],
}
export const CONSENT_WORDS = {
  title: ['Consent to credit check', 'Credit check permission', 'Authorisation of a credit enquiry', 'Agreement to a credit search', 'Consent form: credit reference'],
  name: ['Name', 'Name of applicant', 'Full name', 'Applicant', 'Person giving consent', 'Your name'],
  national: PERSONAL_WORDS,
  sign: ['Signature', 'Signed', 'Signature of applicant', 'Your signature', 'Sign here', 'Signature of the person agreeing', 'Signed by me'],
  date: ['Date', 'Date signed', 'Signed on', 'Dated', 'Day'],
}
export const QUOTE_WORDS = {
  title: ['Quotation', 'Quote', 'Offer', 'Sales quote', 'Devis', 'Offre de prix', 'Presupuesto', 'Oferta', 'Price offer', 'Estimate'],
  number: ['Quote number', 'Quotation no.', 'Offer no.', 'Our ref.', 'Devis n°', 'N° d’offre', 'Presupuesto n.º', 'N.º de oferta', 'Estimate number'],
  date: ['Date', 'Quote date', 'Offer of', 'Issued on', 'Date du devis', 'Établi le', 'Fecha', 'Fecha de la oferta', 'Drawn up on'],
  valid: ['Valid until', 'Offer valid to', 'Open until', 'Good until', 'Valable jusqu’au', 'Validité', 'Válido hasta', 'Oferta válida hasta', 'Acceptance until', 'Price held to'],
  buyer: ['Buyer', 'Customer', 'For', 'Prepared for', 'Client', 'Acheteur', 'Cliente', 'Comprador', 'Offered to'],
  vessel: [...VESSEL_WORDS, 'Bateau', 'Nom du navire', 'Embarcación', 'Nombre del barco'],
  hull: [...HULL_WORDS, 'N° de coque', 'Coque', 'N.º de casco', 'Casco'],
  net: ['Net amount', 'Subtotal', 'Total before tax', 'Net total', 'Total HT', 'Montant net', 'Base imponible', 'Subtotal sin IVA', 'Total excluding VAT'],
  vat: ['VAT', 'VAT 20 %', 'Value added tax', 'TVA', 'TVA 20 %', 'IVA', 'IVA 20 %', 'Tax (20 %)', 'VAT at 20 %'],
  total: ['Total', 'Total price', 'Grand total', 'Total including VAT', 'Total TTC', 'Prix total', 'Total con IVA', 'Importe total', 'Price to pay'],
  heads: [['Description', 'Qty', 'Unit price', 'Amount'], ['Item', 'Number', 'Price', 'Total'], ['Goods', 'Pieces', 'Each', 'Sum'], ['Désignation', 'Quantité', 'P.U.', 'Montant'], ['Concepto', 'Cantidad', 'Precio', 'Importe'], ['Article', 'Units', 'Cost per unit', 'Line amount']],
}
export const STATEMENT_WORDS = {
  title: ['Bank statement', 'Account statement', 'Statement of account', 'Your statement', 'Current account', 'Statement of transactions'],
  holder: ['Account holder', 'Account name', 'Customer', 'Account of', 'Holder', 'In the name of'],
  address: ['Address', 'Address of holder', 'Postal address', 'Home address', 'Customer address'],
  iban: ['IBAN', 'Account number', 'Account', 'IBAN of account', 'International account no.'],
  period: ['Period', 'Statement period', 'Covering', 'Transactions between', 'Dates covered'],
  opening: ['Opening balance', 'Balance at start', 'Brought forward', 'Previous balance', 'Balance at beginning of period', 'Starting balance'],
  closing: ['Closing balance', 'Balance at end', 'Carried forward', 'New balance', 'Balance at end of period', 'Final balance'],
  parted: [['Date', 'Description', 'Money out', 'Money in', 'Balance'], ['Day', 'Particulars', 'Debit', 'Credit', 'Balance'], ['Booked', 'Details', 'Paid out', 'Paid in', 'Balance EUR'], ['Date', 'Transaction', 'Withdrawals', 'Deposits', 'Balance'], ['Date', 'Text', 'Out', 'In', 'Balance']],
  heads: [['Date', 'Description', 'Amount', 'Balance'], ['Booked', 'Text', 'Movement', 'Balance'], ['Day', 'Transaction', 'In / out', 'New balance'], ['Date', 'Particulars', 'EUR', 'Balance EUR'], ['Posted on', 'Details', 'Value', 'Account balance']],
}
export const APPLICATION_WORDS = {
  title: ['Loan application', 'Application for a boat loan', 'Boat finance: application', 'Request for a working-boat loan', 'Application for credit', 'Borrowing request'],
  number: ['Application number', 'Case no.', 'Reference', 'Application ref.', 'Our case number', 'File no.'],
  date: ['Date of application', 'Application date', 'Applied on', 'Date', 'Request made on'],
  name: ['Applicant', 'Name of applicant', 'Full name', 'Your name', 'Name', 'Borrower’s name'],
  born: ['Date of birth', 'Born on', 'Birth date', 'Born', 'D.O.B.'],
  national: PERSONAL_WORDS,
  address: ['Home address', 'Address', 'Where you live', 'Residence', 'Your home address', 'Residential address'],
  phone: ['Phone', 'Telephone', 'Mobile', 'Phone no.', 'Contact phone', 'Tel.'],
  email: ['E-mail', 'Email', 'Email address', 'E-mail address'],
  status: ['Employment status', 'Employment', 'Work status', 'Your work', 'You are'],
  employer: ['Employer', 'Name of employer', 'Employed by', 'Your employer', 'Firm you work for'],
  income: ['Monthly net income', 'Net income a month', 'Take-home pay per month', 'Net pay each month', 'Income per month (net)', 'Monthly income after tax'],
  loan: ['Loan amount', 'Amount of loan', 'Loan applied for', 'Amount to be borrowed', 'Credit wanted', 'Amount requested'],
  term: ['Term in months', 'Months', 'Loan term (months)', 'Repayment in months', 'Number of instalments', 'Duration (months)'],
  price: ['Purchase price', 'Price of the boat', 'Price', 'Cost of the vessel', 'Price agreed', 'Boat price'],
  deposit: ['Deposit', 'Own money', 'Down payment', 'Own funds', 'Paid from savings', 'Deposit by applicant'],
  vessel: VESSEL_WORDS,
  hull: HULL_WORDS,
  existing: ['Existing loan', 'Other loans', 'Is there another loan?', 'Do you have a loan elsewhere?', 'Loans with other lenders', 'Any other loan'],
  iban: ['IBAN', 'Your IBAN', 'Bank account', 'Account for the payout', 'Account (IBAN)'],
  partner: ['Co-applicant', 'Second applicant', 'Joint applicant', 'Applying with', 'Co-borrower'],
  sign: ['Signature', 'Signature of applicant', 'Signed', 'Applicant’s signature', 'Sign here', 'Signature of the borrower', 'Signed by'],
  signed: ['Date', 'Date of signature', 'Signed on', 'Dated'],
}
