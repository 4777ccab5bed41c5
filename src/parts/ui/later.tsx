'use client'
// Parts of a page that are fetched when they are first shown. One that could not be fetched throws where it would stand, and is asked for again by whoever
// shows it the next time: a lazy component of React's would stay failed until the page is loaded anew.
import { type ComponentType, useEffect, useState } from 'react'

export function later<P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
  let Loaded: ComponentType<P> | null = null
  // biome-ignore lint/correctness/noComponentHookFactories: called once for each part, where its file is read
  return function Later(props: P) {
    const [state, setState] = useState<{ readonly failed: unknown } | 'loading' | 'there'>(Loaded === null ? 'loading' : 'there')
    useEffect(() => {
      let isThere = true
      if (Loaded === null)
        load().then(
          (component) => {
            Loaded = component
            if (isThere) setState('there')
          },
          (failed: unknown) => isThere && setState({ failed }),
        )
      return () => {
        isThere = false
      }
    }, [])
    if (typeof state === 'object') throw state.failed
    return Loaded === null ? null : <Loaded {...props} />
  }
}
