import { FieldError, Input, Label, TextArea, TextField } from "react-aria-components";
import styled, { css } from "styled-components";

const box = css`
  display: grid;
  gap: 4px;
  label { color: var(--quiet); font-size: 12px; }
  input, textarea {
    width: 100%;
    min-height: max(32px, var(--target));
    padding: 5px 9px;
    border: 1px solid var(--line);
    border-radius: 6px;
    background: var(--paper);
  }
  input[data-invalid], textarea[data-invalid] { border-color: var(--brick); }
  input:focus-visible, textarea:focus-visible { outline: 2px solid var(--slate); outline-offset: 1px; }
  .error { color: var(--brick); font-size: 12px; }
`;
const TextBox = styled(TextField)`${box}`;

type Common = { label: string; error?: string };

export function TextInput(
  props: Common & { value: string; onChange: (v: string) => void; long?: boolean; autoFocus?: boolean },
) {
  return (
    <TextBox value={props.value} onChange={props.onChange} isInvalid={!!props.error} autoFocus={props.autoFocus}>
      <Label>{props.label}</Label>
      {props.long ? <TextArea rows={3} /> : <Input />}
      <FieldError className="error">{props.error}</FieldError>
    </TextBox>
  );
}
