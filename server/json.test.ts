import { jsonOf } from './json.ts'

test('words come such as any store takes, however deep they lie; what is no JSON is nothing', () => {
  expect(jsonOf('{"reason":"a\\u0000b","rows":[{"name":"\\ud800x"}],"n":3,"there":true}')).toEqual({
    reason: 'ab',
    rows: [{ name: '\ufffdx' }],
    n: 3,
    there: true,
  })
  expect([jsonOf('{"a":'), jsonOf('')]).toEqual([null, null])
})
