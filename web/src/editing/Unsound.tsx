import styled from "styled-components";
import type { Problem } from "../engine/types";
import { StatusIcon } from "../ui/StatusIcon";

const Told = styled.p`
  display: flex;
  gap: 8px;
  color: var(--brick);
  padding-bottom: 8px;
`;

/** Says that something has to be mended before what is open can be saved; nothing while all is well. */
export function Unsound({ what, problems }: { what: string; problems: Problem[] }) {
  if (problems.length === 0) return null;
  return (
    <Told role="status">
      <StatusIcon tone="error" />
      {problems.length === 1 ? "One thing has" : `${problems.length} things have`} to be fixed before the {what} can be
      saved; your work is kept here meanwhile.
    </Told>
  );
}
