import { type ReactNode, useId } from "react";
import styled from "styled-components";
import { useOpen } from "../state/open";

const Section = styled.section`
  border-top: 1px solid var(--line);
  && > h2 { margin: 0; }
  > h2 > button {
    width: 100%;
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) 12px;
    gap: 10px;
    align-items: baseline;
    min-height: max(34px, var(--target));
    padding: 7px 0;
    border: 0;
    background: none;
    color: var(--ink);
    font-size: 13px;
    font-weight: 600;
    text-align: left;
    cursor: pointer;
  }
  > h2 > button:focus-visible { outline: 2px solid var(--slate); outline-offset: 1px; }
  > h2 small {
    font-size: 12px;
    font-weight: 400;
    color: var(--quiet);
    text-align: right;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  > h2 i { font-style: normal; font-weight: 400; color: var(--quiet); text-align: right; }
  > div { padding-bottom: 8px; }
`;

type Props = {
  title: string;
  /** What is inside, while it is closed. */
  line?: ReactNode;
  /** What its state is remembered by; the title unless given. */
  name?: string;
  usual?: boolean;
  children: ReactNode;
};

/** A part that folds: closed it is one line that says what is inside. What is closed is not drawn. */
export function Disclosure({ title, line, name = title, usual = false, children }: Props) {
  const [open, setOpen] = useOpen(name, usual);
  const id = useId();
  return (
    <Section data-part={name}>
      <h2>
        <button type="button" aria-expanded={open} aria-controls={id} onClick={() => setOpen(!open)}>
          {title}
          <small>{open ? "" : line}</small>
          <i aria-hidden>{open ? "−" : "+"}</i>
        </button>
      </h2>
      {open && <div id={id}>{children}</div>}
    </Section>
  );
}
