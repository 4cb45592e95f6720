import { useState } from "react";

/** The name, taken over when the field is left. */
export function NameField(props: { label: string; name: string; rename: (name: string) => void }) {
  const { label, name, rename } = props;
  const [text, setText] = useState(name);
  const done = () => {
    const trimmed = text.trim();
    if (trimmed && trimmed !== name) rename(trimmed);
    else setText(name);
  };
  return (
    <input
      aria-label={label}
      value={text}
      maxLength={200}
      onChange={(e) => setText(e.target.value)}
      onBlur={done}
      onKeyDown={(e) => {
        if (e.key === "Enter") e.currentTarget.blur();
        if (e.key === "Escape") setText(name);
      }}
    />
  );
}
