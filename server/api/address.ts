/** Where the API is found. */
export const API = '/api/v1'
