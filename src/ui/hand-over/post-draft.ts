'use client'
import { useEffect, useRef, useState } from 'react'
import type { Result } from '@/core/units'
import { say } from '@/words/screens/hand-over'
import { useShell, useUnsaved } from '../shell/shell-context'
import type { Said } from '@/stations/contract'
import type { PostEditorProps, Trial } from './post-props'

/** Time without a key until the template is tried, ms. */
const QUIET_MS = 500

/** What is typed into the editor and its form, and what the control said to it a moment after. */
export function usePostDraft(props: PostEditorProps) {
  const { machine, shipped, tools, tryTemplate } = props
  const [template, setTemplate] = useState(props.template)
  const [serial, setSerial] = useState(tools[0]?.serial ?? '')
  const [options, setOptions] = useState(props.options)
  // the version that this template was opened with
  const [version, setVersion] = useState(machine.version)
  const [name, setName] = useState(shipped ? `${machine.key.toLowerCase()}-own` : props.post)
  const [trial, setTrial] = useState<Result<Trial, Said> | null>(null)
  const changed = template !== props.template
  const edited = changed || JSON.stringify(options) !== JSON.stringify(props.options)
  useUnsaved(edited ? say.thisPost : null)

  // whoever signs in meanwhile may try what could not be tried before
  const who = useShell().person?.id
  const latest = useRef(tryTemplate)
  useEffect(() => {
    latest.current = tryTemplate
  })
  useEffect(() => {
    let open = true
    const timer = setTimeout(() => {
      void latest
        .current({ machine: machine.key, template, serials: serial ? [serial] : [], options })
        .then((done) => open && setTrial(done))
    }, QUIET_MS)
    return () => {
      open = false
      clearTimeout(timer)
    }
  }, [template, serial, options, machine.key, who])
  return {
    ...{ template, setTemplate, serial, setSerial, options, setOptions, name, setName },
    ...{ version, saved: () => setVersion((v) => v + 1), trial, changed, edited },
  }
}

export type PostDraft = ReturnType<typeof usePostDraft>
