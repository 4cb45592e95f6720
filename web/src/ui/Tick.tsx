import { Check } from "lucide-react";
import { Checkbox } from "react-aria-components";
import styled from "styled-components";

const Box = styled(Checkbox)`
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 3px 0;
  cursor: pointer;
  > span { width: 16px; height: 16px; border: 1px solid var(--quiet); border-radius: 3px; display: grid; place-items: center; }
  &[data-selected] > span { background: var(--ink); border-color: var(--ink); color: var(--sheet); }
  &[data-focus-visible] > span { outline: 2px solid var(--slate); outline-offset: 2px; }
`;

/** Something that is so, or not. */
export function Tick({ label, on, set }: { label: string; on: boolean; set: (on: boolean) => void }) {
  return (
    <Box isSelected={on} onChange={set}>
      <span>{on && <Check size={12} aria-hidden />}</span>
      {label}
    </Box>
  );
}
