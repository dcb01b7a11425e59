import type { TypeData } from './type-data.ts'

export const purchaseQuote: TypeData = {
  id: 'purchase_quote',
  title: 'Purchase quote',
  short: "Seller's quote",
  pages: { min: 1, max: 4 },
  titles: ['quotation', 'quote', 'purchase quote', 'sales quotation', 'offer', 'sales offer', 'price offer', 'devis', 'presupuesto', 'boat quotation', 'estimate', 'our quotation', 'oferta', 'offre de prix', 'proforma', 'offer of sale', 'price quotation', 'sales quote', 'firm quotation'],
  signs: [
    { words: 'unit price', weight: 2 }, { words: 'quantity', weight: 1 }, { words: 'qty', weight: 1 }, { words: 'vat', weight: 1 }, { words: 'subtotal', weight: 1 }, { words: 'valid until', weight: 0.8 }, { words: 'quote number', weight: 2 }, { words: 'quotation no', weight: 2 }, { words: 'delivery', weight: 0.6 }, { words: 'buyer', weight: 1 },
    { words: 'prix unitaire', weight: 2 }, { words: 'tva', weight: 1.5 }, { words: 'precio unitario', weight: 2 }, { words: 'iva', weight: 1.5 }, { words: 'bow thruster', weight: 0.5 }, { words: 'outboard', weight: 0.5 }, { words: 'net total', weight: 0.8 },
  ],
  lastSigns: ['total price', 'total including vat', 'grand total'],
  person: 'buyer_name',
  versions: { date: 'quote_date', of: ['seller_name', 'hull_number'] },
  fields: [
    { name: 'seller_name', title: 'Seller', kind: 'org', sources: ['letterhead'], labels: ['seller', 'sold by', 'vendor', 'supplier', 'dealer', 'vendeur', 'vendedor', 'offered by', 'from'] },
    { name: 'buyer_name', title: 'Buyer', kind: 'name', sources: ['addressee'], labels: ['buyer', 'customer', 'quote for', 'prepared for', 'quotation for', 'to', 'for', 'client', 'purchaser', 'name of buyer', 'acheteur', 'comprador', 'cliente', 'sold to', 'bill to', 'offered to', 'offer to', 'for the attention of', 'name', 'à l’attention de', 'a la atención de', 'attention', 'attn', 'quote to', 'invoice to', 'ship to'] },
    { name: 'quote_number', title: 'Quote number', kind: 'id', labels: ['quote number', 'quotation number', 'quote no', 'quotation no', 'quotation', 'offer number', 'offer no', 'our ref', 'our reference', 'reference', 'ref', 'estimate no', 'n° de devis', 'devis n°', 'numéro de devis', 'presupuesto n°', 'número de presupuesto', 'n° de presupuesto', 'quote ref', 'quote', 'number', 'no', 'estimate number', 'oferta n°', 'n° d’offre', 'n° de oferta', 'número de oferta', 'offre n°'] },
    { name: 'quote_date', title: 'Quote date', kind: 'date', labels: ['quote date', 'date of quotation', 'quotation date', 'date of quote', 'date of offer', 'offer date', 'issued', 'dated', 'issued on', 'date', 'date du devis', 'fecha', 'fecha del presupuesto', 'drawn up on', 'date of issue', 'établi le', 'fecha de la oferta', 'offer of', 'date de l’offre', 'fecha de presupuesto', 'en date du', 'fait le'] },
    { name: 'valid_until', title: 'Valid until', kind: 'date', labels: ['valid until', 'valid to', 'validity', 'offer valid until', 'quote valid until', 'offer stands until', 'open until', 'good until', 'this offer is valid until', 'prices held until', 'expires', 'expiry', "valable jusqu'au", "date de validité", 'válido hasta', 'validez hasta', 'price held until', 'acceptance by', 'holds until', 'binding until', 'this quotation is valid until', 'validez', 'oferta válida hasta', 'validité', 'offer valid to', 'price held to', 'acceptance until', 'open for acceptance until', 'valid through', 'offre valable jusqu’au', 'expiry date', 'devis valable jusqu’au', 'ce devis est valable jusqu’au', 'quote expires'] },
    { name: 'vessel_name', title: 'Vessel', kind: 'text', optional: true, labels: ['vessel name', 'vessel', 'name of vessel', 'boat name', 'boat', 'name of boat', 'craft', 'bateau', 'nom du bateau', 'navire', 'embarcación', 'nombre de la embarcación', 'barco', 'to be named', 'name of craft', 'ship', 'nom du navire', 'nombre del barco', 'nombre del buque', 'buque'] },
    { name: 'hull_number', title: 'Hull number', kind: 'id', optional: true, labels: ['hull number', 'hull no', 'hull id', 'hull identification', 'hull identification number', 'hull', 'hin', 'hull ident no', 'hull mark', 'numéro de coque', 'n° de coque', 'número de casco', 'n° de casco', 'casco', 'coque', 'número de identificación del casco', 'number of hull'] },
    { name: 'net_amount', title: 'Net amount', kind: 'money', labels: ['net amount', 'subtotal', 'net total', 'total net', 'total before vat', 'sub-total', 'total excluding vat', 'total excl vat', 'amount before tax', 'net', 'goods total', 'total ht', 'montant ht', 'base imponible', 'total neto', 'sum before vat', 'total without vat', 'net price', 'total ex vat', 'sum of lines', 'subtotal sin iva', 'montant net', 'total hors taxes', 'importe neto', 'sum before tax', 'total before tax', 'sum of the lines'] },
    { name: 'vat_amount', title: 'VAT', kind: 'money', labels: ['vat', 'vat amount', 'value added tax', 'tax', 'plus vat', 'vat 23 %', 'vat at 23 %', 'vat 20 %', 'vat 21 %', 'sales tax', 'tva', 'montant tva', 'iva', 'importe iva', 'add vat', 'of which vat'] },
    { name: 'total_price', title: 'Total price', kind: 'money', labels: ['total price', 'total', 'grand total', 'total including vat', 'total incl vat', 'total to pay', 'price including vat', 'total amount', 'amount payable', 'total inc vat', 'total ttc', 'montant ttc', 'total con iva', 'importe total', 'total payable', 'all-in price', 'full price', 'price in full', 'to pay', 'total with vat', 'prix total', 'price to pay', 'total à payer', 'total a pagar', 'precio total', 'end price'] },
    { name: 'lines', title: 'Lines', kind: 'table', threshold: 0.6, columns: [
      { name: 'description', kind: 'text', labels: ['description', 'item', 'article', 'goods', 'désignation', 'descripción', 'concepto', 'details', 'what', 'particulars', 'product', 'libellé', 'equipment', 'supply'] },
      { name: 'quantity', kind: 'number', labels: ['quantity', 'qty', 'no', 'units', 'quantité', 'qté', 'cantidad', 'cant', 'pieces', 'number', 'count', 'pcs'] },
      { name: 'unit_price', kind: 'money', labels: ['unit price', 'price', 'each', 'rate', 'prix unitaire', 'p.u.', 'pu ht', 'precio unitario', 'precio', 'price each', 'per unit', 'unit', 'unit cost', 'cost per unit', 'price per unit'] },
      { name: 'amount', kind: 'money', labels: ['amount', 'total', 'line total', 'sum', 'montant', 'importe', 'net amount', 'net', 'value', 'line amount', 'eur', 'cost'] },
    ] },
  ],
  relations: [{ kind: 'sum', parts: ['net_amount', 'vat_amount'], total: 'total_price' }, { kind: 'lines_sum', table: 'lines', total: 'net_amount' }, { kind: 'not_after', first: 'quote_date', second: 'valid_until' }],
}
