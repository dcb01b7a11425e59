/** Words of the forms that Tarrow Valley and the firms around it also keep in Spanish. */
const WORDS: Readonly<Record<string, string>> = {
  'Vehicle Loan Application': 'Solicitud de préstamo para vehículo',
  'Tell us about yourself': 'Sus datos',
  'Member name': 'Nombre del socio',
  'Member number': 'Número de socio',
  'Date of birth': 'Fecha de nacimiento',
  Phone: 'Teléfono',
  'Home address': 'Domicilio',
  'Employment and income': 'Empleo e ingresos',
  Employer: 'Empleador',
  'Gross monthly income': 'Ingreso mensual bruto',
  'Job title': 'Puesto',
  'Years there': 'Años en el puesto',
  'The vehicle and the loan': 'El vehículo y el préstamo',
  Vehicle: 'Vehículo',
  'Amount requested': 'Monto solicitado',
  'Term (months)': 'Plazo (meses)',
  'Member signature': 'Firma del socio',
  Date: 'Fecha',
  'I certify that everything I have stated in this application is correct. I agree that the vehicle is collateral for the loan. You may keep this application whether or not it is approved, and check my credit and employment history.':
    'Certifico que todo lo declarado en esta solicitud es correcto. Acepto que el vehículo sea la garantía del préstamo. La cooperativa puede conservar esta solicitud, se apruebe o no, y verificar mi historial de crédito y de empleo.',
  'Earnings Statement': 'Talón de pago',
  Employee: 'Empleado',
  'Employee ID': 'Clave del empleado',
  'Period beginning': 'Inicio del período',
  'Period ending': 'Fin del período',
  'Pay date': 'Fecha de pago',
  Earnings: 'Ingresos',
  Rate: 'Tarifa',
  Hours: 'Horas',
  Current: 'Actual',
  YTD: 'Acumulado',
  Deductions: 'Deducciones',
  'Federal withholding': 'Retención federal',
  'Social security and Medicare': 'Seguro social y Medicare',
  'Health plan': 'Plan de salud',
  'Gross pay': 'Pago bruto',
  'Net pay': 'Pago neto',
  'YTD gross': 'Bruto acumulado',
  "Buyer's Order": 'Orden de compra',
  Buyer: 'Comprador',
  Odometer: 'Odómetro',
  Item: 'Concepto',
  Amount: 'Importe',
  'Total cash price': 'Precio total',
  'Down payment': 'Pago inicial',
  'Balance due': 'Saldo a financiar',
  'The vehicle is sold as is. No trade-in is part of this order unless it is listed above.':
    'El vehículo se vende tal como está. Ningún vehículo usado se recibe a cuenta, salvo que figure arriba.',
  "Buyer's signature": 'Firma del comprador',
}

/** Printed words of a form in Spanish. @throws where nobody translated them: half a form would be drawn */
export function spanish(words: string): string {
  const found = WORDS[words]
  if (!found) throw new Error(`no Spanish for ${words}`)
  return found
}
