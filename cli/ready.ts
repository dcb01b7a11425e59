import { databaseForm, mayRewriteTrail } from '../server/database/migrate.ts'

/** @throws Error with what to do where this program does not fit the database */
export async function fitsDatabase(): Promise<void> {
  const form = await databaseForm()
  if (form === 'older')
    throw new Error('the database is of an older form, or empty: ./jigsa migrate brings it up to date')
  if (form === 'newer') throw new Error('the database is of a newer form: a newer Jigsa works on it')
}

/** @throws Error where whoever takes over the application could rewrite the trail */
export async function ownsNoTrail(): Promise<void> {
  if (await mayRewriteTrail())
    throw new Error(
      'the role of DATABASE_URL owns the trail, and could rewrite it: name the owner by DATABASE_OWNER_URL for ' +
        './jigsa migrate, and another role by DATABASE_URL',
    )
}
