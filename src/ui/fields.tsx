'use client'
import {
  FieldError,
  Input,
  Label,
  Radio as AriaRadio,
  RadioGroup as AriaRadioGroup,
  Text,
  TextArea,
  TextField as AriaTextField,
  type TextFieldProps,
} from 'react-aria-components'
import styled from 'styled-components'
import { caption, numerals } from './GlobalStyle'

const FieldBox = styled(AriaTextField)`
  display: grid;
  gap: 4px;
  align-content: start;
  position: relative;
  label {
    ${caption} text-transform: none;
    letter-spacing: 0;
    font-size: 13px;
    color: var(--ink);
    font-weight: 500;
  }
  input,
  textarea {
    width: 100%;
    min-height: 40px;
    padding: 6px 10px;
    border: 1px solid var(--edge);
    border-radius: 3px;
    background: var(--raised);
    &[data-invalid] {
      border-color: var(--out);
    }
  }
  &[data-quiet] label {
    @media (min-width: 720px) {
      position: absolute;
      width: 1px;
      height: 1px;
      overflow: hidden;
      clip-path: inset(50%);
    }
  }
  &[data-numeric] :is(input, textarea) {
    ${numerals}
  }
  [slot='description'] {
    font-size: 12px;
    color: var(--quiet);
  }
  .react-aria-FieldError {
    font-size: 12px;
    color: var(--out);
  }
`

export function TextField({
  label,
  hint,
  error,
  numeric,
  quiet,
  placeholder,
  inputMode,
  rows,
  ...props
}: TextFieldProps & {
  label: string
  hint?: string
  error?: string
  numeric?: boolean
  placeholder?: string
  /** Several lines of text. */
  rows?: number
  /** The label stands in the column's head; here it is only spoken, and seen on a phone. */
  quiet?: boolean
}) {
  return (
    // What is wrong is said, not left to the browser: it would not let a form with an old error be sent again.
    <FieldBox
      {...props}
      validationBehavior="aria"
      isInvalid={error !== undefined}
      data-numeric={numeric || undefined}
      data-quiet={quiet || undefined}
    >
      <Label>{label}</Label>
      {rows ? (
        <TextArea placeholder={placeholder} rows={rows} spellCheck={false} />
      ) : (
        <Input placeholder={placeholder} inputMode={inputMode} autoComplete="off" spellCheck={false} />
      )}
      {hint && <Text slot="description">{hint}</Text>}
      {error && <FieldError>{error}</FieldError>}
    </FieldBox>
  )
}

const Choices = styled(AriaRadioGroup)`
  display: grid;
  gap: 6px;
  align-content: start;
  > [data-label] {
    font-size: 13px;
    font-weight: 500;
    font-stretch: 85%;
  }
  > div {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
  }
`
const Choice = styled(AriaRadio)`
  display: inline-flex;
  align-items: center;
  min-height: 40px;
  padding: 0 14px;
  border: 1px solid var(--edge);
  border-radius: 3px;
  background: var(--raised);
  cursor: pointer;
  &[data-selected] {
    border-color: var(--dye);
    background: var(--dye-wash);
    color: var(--dye);
    font-weight: 600;
    box-shadow: inset 0 -3px 0 var(--dye);
  }
  &[data-focus-visible] {
    outline: 2px solid var(--scribe);
    outline-offset: 2px;
  }
  &[data-disabled] {
    opacity: 0.5;
  }
`

/** A few choices side by side: what a shop would mark on a card, not a list to open. */
export function ChoiceRow<Value extends string>({
  label,
  options,
  value,
  onChange,
  hint,
}: {
  label: string
  options: readonly { readonly value: Value; readonly label: string }[]
  value: Value
  onChange: (value: Value) => void
  hint?: string
}) {
  return (
    <Choices value={value} onChange={(chosen) => onChange(chosen as Value)} orientation="horizontal">
      <Label data-label>{label}</Label>
      <div>
        {options.map((option) => (
          <Choice key={option.value} value={option.value}>
            {option.label}
          </Choice>
        ))}
      </div>
      {hint && (
        <Text slot="description" style={{ fontSize: 12, color: 'var(--quiet)' }}>
          {hint}
        </Text>
      )}
    </Choices>
  )
}
