// What is worked out once for each definition, space or automaton, and kept as long as it is.

export function remembered<Of extends object, What>(work: (of: Of) => What): (of: Of) => What {
  const known = new WeakMap<Of, { readonly what: What }>()
  return (of) => {
    let found = known.get(of)
    if (!found) known.set(of, (found = { what: work(of) }))
    return found.what
  }
}
