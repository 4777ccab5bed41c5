// What the tests use of a foreign reader of vCards that comes without types.
declare module 'vcf' {
  interface Property {
    readonly type: string | string[] | undefined
    valueOf(): string
  }
  class VCard {
    static parse(text: string): VCard[]
    readonly version: string
    get(name: string): Property | Property[] | undefined
  }
  export = VCard
}
