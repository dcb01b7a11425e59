import { startVesselRegister } from './vessel-register.ts'

test('a hull is found by its number, a boat by its name, and nothing by neither', async () => {
  const register = await startVesselRegister(() => [
    { hull_number: 'SKR-88241', name: 'Pole Star', owner: 'Oyster Haven Yard' },
  ])
  const asked = async (query: string) =>
    (await (await fetch(`${register.url}?${query}`)).json()) as {
      entries: { row: { name: string }; by: string }[]
    }
  try {
    expect((await asked('number=skr%2088241')).entries).toMatchObject([
      { by: 'number', row: { name: 'Pole Star' } },
    ])
    expect((await asked('name=POLE%20STAR')).entries).toMatchObject([{ by: 'name' }])
    expect((await asked('number=SKR-1&name=Kittiwake')).entries).toEqual([])
  } finally {
    await register.stop()
  }
})
