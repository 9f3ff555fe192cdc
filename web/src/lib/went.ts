// Where what came in can have gone, in the words of columns and buttons.
export const went = [
  { to: 'table', words: 'eaten' },
  { to: 'storage', words: 'storage' },
  { to: 'put-up', words: 'put up' },
  { to: 'given', words: 'given away' },
  { to: 'animals', words: 'animals' },
  { to: 'compost', words: 'compost' },
  { to: 'lost', words: 'lost' },
  { to: 'seed', words: 'seed' },
  { to: 'dried', words: 'trimmed' },
]

/** Those that are said at one press; what is put up has a page of its own. */
export const atOnePress = went.filter((w) => !['put-up', 'dried'].includes(w.to))
