import { withLostLetter } from './misread.ts'

const read = (text: string) => withLostLetter({ text, sure: 0.9, box: [0, 0, 0.1, 0.02] })

test.each([['@degaard', 'Ødegaard'], ['@DEGAARD,', 'ØDEGAARD,']])('%s is %s, and to be asked about', (text, meant) => expect(read(text)).toMatchObject({ text: meant, sure: 0.6 }))
test.each(['@', '@Yes', '@islepost.example', 'a@b.example', '@12'])('%s stays', (text) => expect(read(text)).toMatchObject({ text, sure: 0.9 }))
