import { startVesselRegister } from './vessel-register.ts'

test('a hull is found by its number, a boat by its name, and nothing by neither', async () => {
  const register = await startVesselRegister(() => [
    { hull_number: 'SKR-88241', name: 'Pole Star', owner: 'Oyster Haven Yard' },
  ])
  const ask = (body: object) => fetch(register.url, { method: 'POST', body: JSON.stringify(body) })
  const asked = async (number: string | null, name: string | null) =>
    (await (await ask({ number, name })).json()) as { entries: { row: { name: string }; by: string }[] }
  try {
    expect((await asked('skr 88241', null)).entries).toMatchObject([
      { by: 'number', row: { name: 'Pole Star' } },
    ])
    expect((await asked(null, 'POLE STAR')).entries).toMatchObject([{ by: 'name' }])
    expect((await asked('SKR-1', 'Kittiwake')).entries).toEqual([])
    expect((await ask({ name: 1 })).status).toBe(400)
  } finally {
    await register.stop()
  }
})
