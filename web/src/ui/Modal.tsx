import type { ReactNode } from "react";
import { Modal as AriaModal, Dialog, Heading, ModalOverlay } from "react-aria-components";
import styled from "styled-components";

const Veil = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 20;
  display: grid;
  place-items: center;
  padding: 16px;
  background: color-mix(in srgb, var(--paper) 70%, transparent);
`;

const Sheet = styled(AriaModal)`
  width: min(520px, 100%);
  &[data-wide] { width: min(860px, 100%); align-self: start; }
  max-height: 100%;
  overflow: auto;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 10px;
  box-shadow: 0 12px 40px rgb(0 0 0 / 18%);
`;

const Body = styled(Dialog)`
  padding: 20px;
  outline: none;
  display: grid;
  gap: 12px;
  h2 { font-size: 18px; line-height: 24px; }
  .pair { display: flex; gap: 16px; align-items: end; justify-content: space-between; flex-wrap: wrap; }
  .actions { display: flex; gap: 8px; justify-content: flex-end; flex-wrap: wrap; margin-top: 4px; }
`;

export function Modal(props: {
  title: string;
  open: boolean;
  onClose: () => void;
  wide?: boolean;
  children: ReactNode;
}) {
  return (
    <Veil isOpen={props.open} onOpenChange={(open) => !open && props.onClose()} isDismissable>
      <Sheet data-wide={props.wide || undefined}>
        <Body>
          <Heading slot="title" level={2}>
            {props.title}
          </Heading>
          {props.children}
        </Body>
      </Sheet>
    </Veil>
  );
}
