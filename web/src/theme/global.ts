import "@fontsource-variable/instrument-sans/wght.css";
import "@fontsource-variable/spline-sans-mono/wght.css";
import { createGlobalStyle, css } from "styled-components";

const light = css`
  --paper: #f4f1ea;
  --sheet: #fbfaf6;
  --ink: #20262b;
  --quiet: #5f666b;
  --line: #d9d4c8;
  --ember-pale: #f3d9c4;
  --ember: #d9763a;
  --ember-deep: #8c2f12;
  --slate: #3e5c76;
  --plum: #7b4b6e;
  --pine: #2f7f6f;
  --ochre: #8a5a00;
  --brick: #9b2226;
  --skin: #e8dcc8;
  --skin-far: #ddd0bb;
  --vest: #c9cfce;
  --shorts: #8b9599;
  --shoe: #5c646a;
  --hair: #77685a;
  --outline: #5d564b;
  --metal: #e6e1d6;
  --metal-line: #4a4f54;
`;

const dark = css`
  --paper: #15191c;
  --sheet: #1d2327;
  --ink: #ece7dc;
  --quiet: #a7adb0;
  --line: #343b40;
  --ember-pale: #5a3421;
  --ember: #e08a4e;
  --ember-deep: #ffc59a;
  --slate: #9db8d2;
  --plum: #c79bb9;
  --pine: #6fc3b0;
  --ochre: #e0ae4a;
  --brick: #f08a8f;
  --skin: #8d7f6c;
  --skin-far: #7b6f60;
  --vest: #55626a;
  --shorts: #3d474d;
  --shoe: #2d3539;
  --hair: #3a322b;
  --outline: #0e1113;
  --metal: #2a3136;
  --metal-line: #8b9297;
`;

/** Tokens of both themes and the few rules that belong to no component. */
export const GlobalStyle = createGlobalStyle`
  :root { ${light} color-scheme: light; }
  @media print {
    html, body, #root { height: auto; }
    #root { zoom: 0.66; }
    #root * { overflow: visible !important; contain: none !important; max-height: none !important; }
    nav, aside { display: none !important; }
  }
  .printed { ${light} color: var(--ink); }
  @media (prefers-color-scheme: dark) { :root:not([data-theme="light"]) { ${dark} color-scheme: dark; } }
  :root[data-theme="dark"] { ${dark} color-scheme: dark; }

  *, *::before, *::after { box-sizing: border-box; margin: 0; }
  html, body, #root { height: 100%; }
  body {
    background: var(--paper);
    color: var(--ink);
    font: 13px/18px "Instrument Sans Variable", sans-serif;
    -webkit-font-smoothing: antialiased;
    overflow: hidden;
  }
  @media print { :root:root:root { ${light} --paper: #fff; color-scheme: light; } }
  @media print { html, body, #root { height: auto; } body { overflow: visible; } }
  button, input, textarea { font: inherit; color: inherit; }
  /* What can be pressed is as large as a pointer needs, on a phone as a finger does; in a sentence it is as high as the line. */
  :root { --target: 24px; }
  @media (max-width: 700px) { :root { --target: 44px; } }
  p, li > span, .verdict, .problem { --target: 0px; }
  :where(button, [role="radio"], summary, label:has(> input), nav a) { min-width: var(--target); min-height: var(--target); }
  a { color: inherit; }
  h1, h2, h3 { font-size: inherit; font-weight: 600; }
  .mono { font-family: "Spline Sans Mono Variable", monospace; font-variant-numeric: tabular-nums; }
  :focus-visible { outline: 2px solid var(--slate); outline-offset: 2px; }
  @media (prefers-contrast: more) { :root { --quiet: var(--ink); --line: var(--quiet); } }
  /* The system's own colours: drawings and painted tracks keep theirs, since they say something by them; what is chosen has an outline. */
  @media (forced-colors: active) {
    svg, .paint, .bar i { forced-color-adjust: none; }
    [aria-pressed="true"], [aria-checked="true"], [aria-current="page"], [data-selected] { outline: 2px solid Highlight; outline-offset: -2px; }
  }
  @media (prefers-reduced-motion: reduce) { *, *::before, *::after { transition: none !important; animation: none !important; } }
`;
