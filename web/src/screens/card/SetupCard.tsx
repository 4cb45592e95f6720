import { useEffect, useRef, useState } from "react";
import { createPortal } from "react-dom";
import styled, { createGlobalStyle } from "styled-components";
import { keepDrawing } from "../../share/picture";
import { Button } from "../../ui/Button";
import { Modal } from "../../ui/Modal";
import { notify } from "../../ui/Notices";
import { MessagePicture } from "./MessagePicture";
import { type CardProps, CardSheet } from "./Sheet";

/** On paper there is the sheet and nothing else, in the light colours. */
const OnPaper = createGlobalStyle`
  .printed { display: none; }
  @media print {
    @page { margin: 12mm; }
    html, body { height: auto; background: #fff; }
    /* Not display: none: what the drawings share, like hatching, has to stay known. */
    body > *:not(.printed) { position: absolute; height: 0 !important; overflow: hidden; visibility: hidden !important; }
    body > *:not(.printed) * { visibility: hidden !important; }
    .printed { display: block; color-scheme: light; }
    .printed, .printed * { break-inside: avoid; }
  }
`;

const Preview = styled.div`
  max-height: 60vh;
  overflow: auto;
  padding: 16px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--paper);
`;

const Aside = styled.div`
  position: fixed;
  left: -4000px;
  top: 0;
`;

/** The setup on one sheet: to be printed, sent as a picture, or shared as a link. */
export function SetupCard({ close, ...card }: CardProps & { close: () => void }) {
  const [drawn, draw] = useState(false);
  const picture = useRef<HTMLDivElement>(null);
  const { name } = card.document;
  useEffect(() => {
    const svg = picture.current?.querySelector("svg");
    if (drawn && svg) void keepDrawing(svg, `${name}, card`, "png", [], 1).then(() => draw(false));
  }, [drawn, name]);
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(card.link);
      notify("The link is copied.");
    } catch {
      notify(`The browser does not let the page copy. The link is ${card.link}`);
    }
  };
  return (
    <>
      <OnPaper />
      <Modal title="Setup card" open wide onClose={close}>
        <Preview>
          <CardSheet {...card} />
        </Preview>
        <div className="actions">
          <Button onPress={() => void copy()}>Copy link</Button>
          <Button onPress={() => draw(true)}>Picture for a message</Button>
          <Button onPress={close}>Close</Button>
          <Button look="strong" onPress={() => window.print()}>
            Print
          </Button>
        </div>
      </Modal>
      {createPortal(
        <div className="printed" data-theme="light">
          <CardSheet {...card} />
        </div>,
        window.document.body,
      )}
      {drawn && (
        <Aside ref={picture} aria-hidden>
          <MessagePicture {...card} />
        </Aside>
      )}
    </>
  );
}
