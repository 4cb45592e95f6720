import styled from "styled-components";

/** A screen with a list beside what is open of it; on a phone one or the other. */
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
  ul { list-style: none; padding: 0; display: grid; gap: 2px; }
  li a {
    display: block;
    padding: 9px 10px;
    border-radius: 6px;
    text-decoration: none;
    overflow-wrap: anywhere;
  }
  li a small { display: block; color: var(--quiet); }
  li a:hover { background: var(--paper); }
  li a[aria-current="page"] { background: var(--paper); font-weight: 600; box-shadow: inset 3px 0 0 var(--ember); }
  li a small { font-weight: 400; }
  @media (max-width: 700px) {
    grid-template-columns: minmax(0, 1fr);
    > aside { border: 0; }
    &[data-open="true"] > aside, &[data-open="false"] > section { display: none; }
  }
`;
