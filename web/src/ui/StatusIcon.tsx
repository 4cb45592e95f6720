/** Marks that carry their meaning by shape: a tick, a dash, a triangle, an octagon. */
export function StatusIcon({ tone }: { tone: "ok" | "warning" | "caution" | "error" }) {
  const names = { ok: "fine", warning: "could be better", caution: "caution", error: "does not work" };
  return (
    <svg width="17" height="18" viewBox="0 0 17 18" role="img" aria-label={names[tone]} style={{ flex: "none" }}>
      {tone === "ok" && (
        <g fill="none" stroke="var(--slate)" strokeWidth="1.8">
          <circle cx="8.5" cy="9" r="6.2" />
          <path d="M5.5 9.2l2.2 2.3 4-4.6" />
        </g>
      )}
      {tone === "warning" && (
        <g fill="none" stroke="var(--ember)" strokeWidth="1.8">
          <circle cx="8.5" cy="9" r="6.2" />
          <path d="M5.3 9h6.4" />
        </g>
      )}
      {tone === "caution" && (
        <g fill="none" stroke="var(--ochre)" strokeWidth="1.6">
          <path d="M8.5 2.6L15.4 15H1.6Z" strokeLinejoin="round" />
          <path d="M8.5 7v3.8M8.5 12.2v1.1" />
        </g>
      )}
      {tone === "error" && (
        <g fill="none" stroke="var(--brick)" strokeWidth="1.6">
          <path d="M5.7 2.3h5.6l4 4v5.6l-4 4H5.7l-4-4V6.3Z" strokeLinejoin="round" />
          <path d="M8.5 5.4v4.4M8.5 11.4v1.3" />
        </g>
      )}
    </svg>
  );
}
