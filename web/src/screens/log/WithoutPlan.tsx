import { useState } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import { Select } from "../../ui/Select";
import { useLifters } from "../begin/useSaved";

const Box = styled.section`
  .choice { display: flex; flex-wrap: wrap; gap: 8px 14px; align-items: end; padding: 8px 0; }
  a {
    display: grid;
    align-content: center;
    padding: 4px 12px;
    border: 1px solid var(--line);
    border-radius: 6px;
    background: var(--sheet);
    text-decoration: none;
    min-height: max(32px, var(--target));
  }
`;

/** Logging for a lifter who comes in without a plan. */
export function WithoutPlan() {
  const lifters = useLifters().data?.items ?? [];
  const [chosen, choose] = useState("");
  const lifter = lifters.find((l) => l.id === chosen) ?? lifters[0];
  if (!lifter) return null;
  return (
    <Box aria-label="Without a plan">
      <h2>Without a plan</h2>
      <div className="choice">
        <Select
          label="Lifter"
          options={lifters.map((l) => ({ key: l.id, label: l.name }))}
          value={lifter.id}
          onChange={choose}
        />
        <Link to={`/log/${lifter.id}`}>Log sets as they come</Link>
      </div>
    </Box>
  );
}
