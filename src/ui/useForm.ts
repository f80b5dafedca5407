'use client'
import type { FormEvent } from 'react'
import {
  useForm as useHookForm,
  useWatch,
  type DefaultValues,
  type FieldErrors,
  type FieldValues,
  type Path,
  type ResolverResult,
} from 'react-hook-form'

/** What is wrong with a form, by the name of the field; `form`: with all of it. */
export type WrongFields = Readonly<Record<string, string>>

/** A form that was read: what was meant, or what is wrong with it. */
export type ReadForm<Meant> = { readonly ok: true; readonly meant: Meant } | { readonly ok: false; readonly wrong: WrongFields }

/** Where what is wrong with all of a form is kept: no field is called so. */
const WHOLE = 'form'

interface FormOf<Values, Meant> {
  /** What stands in it before anything is typed. */
  readonly start: Values
  readonly read: (values: Values) => ReadForm<Meant>
  /** Does what was meant; words say why it was refused. */
  readonly send: (meant: Meant) => Promise<string | undefined> | string | undefined | void
  /** A form for one more of a kind: emptied once it was sent. */
  readonly isEmptiedAfter?: boolean
}

/**
 * A form: text as it is typed, read as a whole when it is sent. What is wrong stands at its field until the field is right, and the first
 * such field is gone to; nothing that was typed is lost by it.
 */
export function useForm<Values extends FieldValues, Meant>({ start, read, send, isEmptiedAfter = false }: FormOf<Values, Meant>) {
  const form = useHookForm<Values, unknown, { meant: Meant }>({
    defaultValues: start as DefaultValues<Values>,
    resolver: (values): ResolverResult<Values, { meant: Meant }> => {
      const result = read(values)
      return result.ok ? { values: { meant: result.meant }, errors: {} } : { values: {}, errors: errorsFrom<Values>(result.wrong) }
    },
  })
  const values = useWatch({ control: form.control }) as Values
  const { errors, isSubmitting, isSubmitted } = form.formState
  const wrong = wordsOf(errors)

  const set = <Name extends keyof Values & string>(name: Name, value: Values[Name]) => {
    form.clearErrors(WHOLE as Path<Values>)
    form.setValue(name as unknown as Path<Values>, value as never)
    if (isSubmitted) void form.trigger()
  }
  const onSubmit = (event: FormEvent<HTMLElement>) => {
    const sent = event.currentTarget
    void form.handleSubmit(
      async ({ meant }) => {
        const refused = await send(meant)
        if (refused) form.setError(WHOLE as Path<Values>, { message: refused })
        else if (isEmptiedAfter) form.reset(start)
      },
      () => setTimeout(() => sent.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus()),
    )(event)
  }

  return {
    values,
    /** What is wrong, by field. */
    wrong,
    /** What is wrong with the whole of it, or why it was refused. */
    refused: wrong[WHOLE],
    isSending: isSubmitting,
    set,
    /** For a text field of that name. */
    field: <Name extends keyof Values & string>(name: Name) => ({
      value: values[name],
      onChange: (value: Values[Name]) => set(name, value),
      error: wrong[name],
    }),
    /** For the form itself. */
    form: { onSubmit, noValidate: true },
  }
}

/** What a form gives its fields. */
export type FormState<Values extends FieldValues> = ReturnType<typeof useForm<Values, unknown>>

function errorsFrom<Values extends FieldValues>(wrong: WrongFields): FieldErrors<Values> {
  return Object.fromEntries(Object.entries(wrong).map(([name, message]) => [name, { type: 'read', message }])) as FieldErrors<Values>
}

function wordsOf(errors: FieldErrors): WrongFields {
  return Object.fromEntries(
    Object.entries(errors).flatMap(([name, error]) => (typeof error?.message === 'string' ? [[name, error.message]] : [])),
  )
}
