export type Role = 'KEEPER' | 'HELPER' | 'GUEST'

export const roles: { value: Role; text: string }[] = [
  { value: 'KEEPER', text: 'keeper: changes things' },
  { value: 'HELPER', text: 'helper: logs' },
  { value: 'GUEST', text: 'guest: reads' },
]
