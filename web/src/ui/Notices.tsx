import { useSyncExternalStore } from "react";
import styled from "styled-components";
import { Button } from "./Button";

type Notice = { id: number; text: string; action?: { label: string; run: () => void } };

let notices: Notice[] = [];
let count = 0;
const listeners = new Set<() => void>();
const lasts = 10_000; // ms: long enough to read and to reach the button

function set(next: Notice[]): void {
  notices = next;
  for (const l of listeners) l();
}

/** Tells the coach something in passing, with a way to undo it where there is one. */
export function notify(text: string, action?: Notice["action"]): void {
  const id = ++count;
  set([...notices.slice(-2), { id, text, action }]);
  setTimeout(() => set(notices.filter((n) => n.id !== id)), lasts);
}

const Box = styled.div`
  position: fixed;
  left: 50%;
  bottom: 20px;
  transform: translateX(-50%);
  z-index: 30;
  display: grid;
  gap: 8px;
  > div {
    display: flex;
    align-items: center;
    gap: 14px;
    padding: 10px 16px;
    border-radius: 8px;
    background: var(--ink);
    color: var(--sheet);
    box-shadow: 0 8px 24px rgb(0 0 0 / 20%);
  }
  button { color: var(--sheet) !important; text-decoration: underline; }
  @media (max-width: 700px) { bottom: 64px; width: calc(100% - 24px); }
`;

export function Notices() {
  const shown = useSyncExternalStore(
    (l) => {
      listeners.add(l);
      return () => listeners.delete(l);
    },
    () => notices,
  );
  return (
    <Box role="status" aria-live="polite">
      {shown.map((n) => (
        <div key={n.id}>
          <span>{n.text}</span>
          {n.action && (
            <Button
              look="link"
              onPress={() => {
                n.action?.run();
                set(notices.filter((m) => m.id !== n.id));
              }}
            >
              {n.action.label}
            </Button>
          )}
        </div>
      ))}
    </Box>
  );
}
