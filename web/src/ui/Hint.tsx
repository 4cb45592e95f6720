import type { ReactNode } from "react";
import styled from "styled-components";
import { setPreferences, usePreferences } from "../state/preferences";
import { Button } from "./Button";

const Box = styled.p`
  display: flex;
  gap: 10px;
  align-items: baseline;
  justify-content: space-between;
  padding: 6px 10px;
  margin: 4px 0;
  border-left: 3px solid var(--pine);
  background: var(--paper);
  font-size: 12px;
  line-height: 16px;
  button { flex: none; font-size: 12px; }
`;

export const hints = ["paint", "drag", "mend"] as const;
export type HintName = (typeof hints)[number];

/** A sentence for somebody who is here for the first time, where it is of use, until it is put away. */
export function Hint({ name, children }: { name: HintName; children: ReactNode }) {
  const { seen } = usePreferences();
  if (seen.includes(name)) return null;
  return (
    <Box role="note" data-hint={name}>
      <span>{children}</span>
      <Button look="link" onPress={() => setPreferences({ seen: [...seen, name] })}>
        Got it
      </Button>
    </Box>
  );
}
