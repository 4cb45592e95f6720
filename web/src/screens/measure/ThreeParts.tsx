import styled from "styled-components";

/**
 * A screen that measures: what is set on the left, what is seen in the middle, what it comes to on the right; one
 * below the other on a phone.
 */
export const ThreeParts = styled.div`
  height: 100%;
  display: grid;
  grid-template-columns: 272px minmax(0, 1fr) 312px;
  grid-template-rows: auto minmax(0, 1fr);
  > header {
    grid-column: 1 / -1;
    display: flex;
    gap: 10px;
    align-items: center;
    flex-wrap: wrap;
    min-height: 50px;
    padding: 9px 18px;
    border-bottom: 1px solid var(--line);
    h1 { font-size: 15px; }
    a { color: var(--quiet); display: inline-flex; align-items: center; min-height: var(--target); }
    .push { flex: 1; }
  }
  > section { overflow: auto; padding: 16px 18px 30px; min-width: 0; display: grid; gap: 16px; align-content: start; }
  > section:first-of-type { background: var(--sheet); border-right: 1px solid var(--line); }
  > section:last-of-type { background: var(--sheet); border-left: 1px solid var(--line); }
  h2 { font-size: 13px; }
  .quiet, small { color: var(--quiet); font-size: 12px; line-height: 16px; }
  .bad { color: var(--brick); }
  @media (max-width: 1099px) {
    display: block;
    overflow: auto;
    > section { overflow: visible; border: 0 !important; }
  }
`;
