import { memo } from "react";
import { Button as AriaButton, type ButtonProps, type PressEvent } from "react-aria-components";
import styled from "styled-components";
import { propsEqual } from "./propsEqual";
import { useStable } from "./useStable";

const Styled = styled(AriaButton)<{ $look: "plain" | "strong" | "quiet" | "link" }>`
  display: inline-flex;
  align-items: center;
  gap: 6px;
  min-height: max(30px, var(--target));
  padding: 4px 12px;
  border-radius: 6px;
  font-weight: 500;
  cursor: pointer;
  white-space: nowrap;
  border: 1px solid ${(p) => (p.$look === "plain" ? "var(--line)" : "transparent")};
  background: ${(p) => (p.$look === "strong" ? "var(--ink)" : p.$look === "plain" ? "var(--sheet)" : "transparent")};
  color: ${(p) => (p.$look === "strong" ? "var(--sheet)" : p.$look === "link" ? "var(--slate)" : "var(--ink)")};
  ${(p) => p.$look === "link" && "padding: 0; min-height: var(--target); font-weight: 600; text-decoration: underline; white-space: normal; text-align: left;"}
  transition: background 100ms;
  &[data-hovered] { ${(p) => (p.$look === "strong" || p.$look === "link" ? "opacity: 0.88;" : "background: var(--paper);")} }
  &[data-pressed] { transform: translateY(1px); }
  &[data-disabled] { opacity: 0.45; cursor: default; }
  &[data-focus-visible] { outline: 2px solid var(--slate); outline-offset: 2px; }
`;

type Props = ButtonProps & { look?: "plain" | "strong" | "quiet" | "link" };

/** A button. It is drawn anew only when it would look different: pages have many, and a drag redraws them all. */
export function Button({ onPress, ...props }: Props) {
  const press = useStable((e: PressEvent) => onPress?.(e));
  return <Drawn {...props} onPress={press} />;
}

const Drawn = memo(function Drawn({ look = "plain", ...props }: Props) {
  return <Styled {...props} $look={look} />;
}, propsEqual);
