import styled from "styled-components";

/** The bar over what is being edited: its name, whether it is saved, and what can be done with it. */
export const EditBar = styled.header`
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 52px;
  padding: 8px 14px;
  border-bottom: 1px solid var(--line);
  min-width: 0;
  > a { color: var(--quiet); text-decoration: none; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; max-width: 24ch;
    min-width: var(--target); min-height: var(--target); line-height: max(18px, var(--target)); }
  > a:hover { text-decoration: underline; }
  .slash { color: var(--quiet); }
  input {
    flex: 0 1 auto;
    field-sizing: content;
    min-width: 60px;
    max-width: 460px;
    padding: 3px 6px;
    margin-left: -6px;
    border: 1px solid transparent;
    border-radius: 5px;
    background: transparent;
    font-size: 15px;
    font-weight: 600;
    text-overflow: ellipsis;
  }
  input:hover { border-color: var(--line); }
  .status { display: inline-flex; align-items: center; gap: 6px; color: var(--quiet); white-space: nowrap; }
  .status[data-kind="waiting"], .status[data-kind="refused"] { color: var(--brick); }
  .push { flex: 1 100 0; }
  .away { display: inline-flex; align-items: center; gap: 6px; color: var(--ochre); white-space: nowrap; }
  @media (max-width: 900px) {
    flex-wrap: wrap;
    gap: 4px 8px;
    .slash, .push { display: none; }
    input { flex-basis: 100%; max-width: none; order: -1; }
    .away { white-space: normal; }
    > button { padding: 4px 8px; }
    > button:last-child { margin-left: auto; padding: 4px 12px; }
  }
`;
