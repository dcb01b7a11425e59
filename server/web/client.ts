/** Where the server entry tells the routes which address asks: set there alone, whatever a request brings under the name. */
export const CLIENT_HEADER = 'x-jigsa-client'

/** The address that a request comes from, as the server entry found it. */
export const clientOf = (request: Request): string => request.headers.get(CLIENT_HEADER) ?? 'unknown'
