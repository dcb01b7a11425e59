import type { TypeData } from './type-data.ts'

export const utilityBill: TypeData = {
  id: 'utility_bill',
  title: 'Utility bill',
  short: 'Utility bill',
  pages: { min: 1, max: 3 },
  titles: ['electricity bill', 'water bill', 'broadband bill', 'your bill', 'utility bill', 'your electricity bill', 'your water bill', 'your broadband bill', 'invoice for electricity', 'statement of charges', 'energy bill', 'water charges', 'account bill', "facture d'électricité", "facture d'eau", 'factura de electricidad', 'factura de agua', 'factura de luz', 'votre facture', 'su factura', 'internet bill', 'water services account', 'bill for electricity supply', 'quarterly bill', 'electricity account', 'broadband invoice', 'power bill'],
  signs: [
    { words: 'meter reading', weight: 2.5 }, { words: 'meter', weight: 1.2 }, { words: 'kwh', weight: 2 }, { words: 'standing charge', weight: 2 }, { words: 'tariff', weight: 1.2 }, { words: 'supply address', weight: 2 }, { words: 'consumption', weight: 1.5 },
    { words: 'service address', weight: 2 }, { words: 'cubic metres', weight: 1.5 }, { words: 'broadband', weight: 1.5 }, { words: 'mbit', weight: 1.2 }, { words: 'compteur', weight: 2 }, { words: 'consommation', weight: 2 }, { words: 'contador', weight: 2 }, { words: 'consumo', weight: 2 },
    { words: 'amount due', weight: 0.8 }, { words: 'please pay', weight: 0.6 }, { words: 'sewerage', weight: 1.5 }, { words: 'm3', weight: 0.8 }, { words: 'router', weight: 1 }, { words: 'units used', weight: 1.5 },
  ],
  person: 'account_holder',
  tellsApart: 'issue_date',
  fields: [
    { name: 'supplier_name', title: 'Supplier', kind: 'org', sources: ['letterhead'], labels: ['supplier', 'your supplier', 'provided by', 'fournisseur', 'proveedor', 'service provider', 'billed by', 'issued by'] },
    { name: 'account_holder', title: 'Account holder', kind: 'name', sources: ['addressee'], labels: ['account holder', 'customer', 'customer name', 'name', 'account name', 'bill to', 'billed to', 'titulaire', 'titulaire du contrat', 'titular', 'titular del contrato', 'client', 'cliente', 'account in the name of', 'prepared for', 'subscriber', 'name of customer', 'nom du client', 'nombre del cliente', 'bill for', 'titular de la cuenta', 'abonné', 'holder', 'contract holder'] },
    { name: 'service_address', title: 'Service address', kind: 'address', sources: ['addressee'], labels: ['service address', 'supply address', 'address supplied', 'premises', 'property', 'supplied to', 'site address', 'address of supply', 'adresse de fourniture', 'lieu de consommation', 'adresse desservie', 'dirección de suministro', 'dirección del suministro', 'installation address', 'connection address', 'property address', 'service at', 'supply at', 'address', 'adresse du logement', 'dirección', 'adresse', 'place of supply', 'address of premises', 'adresse du service', 'domicilio', 'punto de suministro', 'lieu desservi', 'your home', 'property supplied', 'supply point'] },
    { name: 'issue_date', title: 'Issued', kind: 'date', labels: ['bill date', 'date of bill', 'issue date', 'date of issue', 'issued on', 'invoice date', 'date issued', 'statement date', 'billing date', 'issued', 'bill issued', "date d'émission", 'date de facture', 'date de la facture', 'fecha de emisión', 'fecha de factura', 'date', 'date de facturation', 'fecha', 'facture du', 'fecha de la factura', 'date du relevé'] },
    { name: 'account_number', title: 'Account number', kind: 'id', labels: ['account number', 'account no', 'customer number', 'customer no', 'account', 'customer ref', 'customer reference', 'contract number', 'account reference', 'a/c no', 'numéro de client', 'numéro de contrat', 'n° de contrat', 'n° client', 'référence client', 'número de cliente', 'número de contrato', 'contrato n', 'n° de contrato', 'your account number', 'contract no', 'acct no', 'n° de client', 'n.º de cliente', 'n.º de contrato', 'referencia', 'customer account', 'compte client', 'n° de compte', 'número de cuenta'] },
    { name: 'amount_due', title: 'Amount due', kind: 'money', labels: ['amount due', 'total due', 'total amount due', 'amount to pay', 'total to pay', 'please pay', 'balance due', 'total now due', 'pay this amount', 'amount payable', 'to pay', 'now due', 'montant à payer', 'total à payer', 'montant dû', 'net à payer', 'importe a pagar', 'total a pagar', 'importe total', 'total payable', 'total this bill', 'you owe', 'what you owe', 'total ttc à payer', 'amount payable now', 'to be paid', 'total de la factura', 'montant total', 'somme à payer', 'à régler', 'total charges this period', 'total charges', 'amount owing', 'to be collected', 'montant ttc à régler', 'montant ttc', 'total ttc', 'importe', 'you need to pay', 'total amount to pay'] },
  ],
}
