import styled, { css } from "styled-components";

const oneOnly = css`
  grid-template-columns: minmax(0, 1fr);
  > aside { border: 0; }
  &[data-open="true"] > aside, &[data-open="false"] > section { display: none; }
`;

/** A screen with a list beside what is open of it; on a phone one or the other, with a narrow list on a tablet too. */
export const ListPage = styled.div`
  height: 100%;
  display: grid;
  grid-template-columns: 280px minmax(0, 1fr);
  grid-template-rows: minmax(0, 1fr);
  > aside { border-right: 1px solid var(--line); background: var(--sheet); overflow: auto; padding: 14px; }
  > section { overflow: auto; min-width: 0; }
  .head { display: flex; align-items: center; justify-content: space-between; margin-bottom: 10px; }
  h1 { font-size: 18px; line-height: 24px; }
  .head > span { display: flex; gap: 4px; }
  aside p { color: var(--quiet); padding: 8px 10px; }
  > aside ul { list-style: none; padding: 0; display: grid; gap: 2px; }
  > aside li a {
    display: block;
    padding: 9px 10px;
    border-radius: 6px;
    text-decoration: none;
    overflow-wrap: anywhere;
  }
  > aside li a small { display: block; color: var(--quiet); }
  > aside li a:hover { background: var(--paper); }
  > aside li a[aria-current="page"] { background: var(--paper); font-weight: 600; box-shadow: inset 3px 0 0 var(--ember); }
  > aside li a small { font-weight: 400; }
  @media (min-width: 1000px) { &[data-narrow="true"] { grid-template-columns: 196px minmax(0, 1fr); } }
  @media (max-width: 999px) { &[data-narrow="true"] { ${oneOnly} } }
  @media print { display: block; height: auto; > aside { display: none; } > section { overflow: visible; } }
  @media (max-width: 700px) { ${oneOnly} }
`;
