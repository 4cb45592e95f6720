import { Popover as AriaPopover } from "react-aria-components";
import styled, { css } from "styled-components";

/** What floats over the page beside its button: lists and menus. */
export const Popover = styled(AriaPopover)`
  display: flex;
  flex-direction: column;
  > [role="listbox"], > [role="menu"] { min-height: 0; overflow: auto; outline: none; }
  min-width: var(--trigger-width);
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 8px;
  box-shadow: 0 8px 24px rgb(0 0 0 / 16%);
  padding: 4px;
`;

/** A line of such a list. */
export const lineLook = css`
  padding: 6px 10px;
  border-radius: 5px;
  cursor: pointer;
  outline: none;
  &[data-focused] { background: var(--paper); }
`;
