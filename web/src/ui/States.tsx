import { useNavigate } from "react-router";
import styled from "styled-components";
import { Button } from "./Button";

export const FailedBox = styled.div`
  height: 100%;
  display: grid;
  place-content: center;
  justify-items: center;
  gap: 8px;
  padding: 24px;
  text-align: center;
  h1 { font-size: 18px; line-height: 24px; }
  p { color: var(--quiet); max-width: 46ch; }
  .actions { display: flex; gap: 8px; margin-top: 6px; }
`;

export function Loading({ what }: { what: string }) {
  return (
    <FailedBox role="status">
      <p>{what} …</p>
    </FailedBox>
  );
}

/** Something could not be had: what, why, and what to do. */
export function Failed(props: { what: string; why: string; again?: () => void; home?: boolean }) {
  const navigate = useNavigate();
  return (
    <FailedBox role="alert">
      <h1>{props.what}</h1>
      <p>{props.why}</p>
      <div className="actions">
        {props.again && (
          <Button look="strong" onPress={props.again}>
            Try again
          </Button>
        )}
        {props.home && <Button onPress={() => navigate("/lifters")}>Go to the lifters</Button>}
      </div>
    </FailedBox>
  );
}

/** Nothing is here yet: what will be, and the way to begin. */
export function Empty(props: { title: string; text: string; action?: string; onAction?: () => void }) {
  return (
    <FailedBox>
      <h1>{props.title}</h1>
      <p>{props.text}</p>
      {props.action && (
        <div className="actions">
          <Button look="strong" onPress={props.onAction}>
            {props.action}
          </Button>
        </div>
      )}
    </FailedBox>
  );
}
