declare module 'bayesjs' {
  type Cpt = Record<string, number> | { when: Record<string, string>; then: Record<string, number> }[]
  export type Node = { id: string; states: string[]; parents: string[]; cpt: Cpt }
  export type Network = Record<string, Node>
  const bayes: {
    infer: (network: Network, wanted: Record<string, string>, given: Record<string, string>) => number
  }
  export default bayes
}
