import { Moon, Ruler, Sun } from "lucide-react";
import { Suspense } from "react";
import { NavLink, Outlet, useLocation } from "react-router";
import styled from "styled-components";
import { useOutbox } from "../editing/outbox";
import { usePicked } from "../state/picked";
import { setPreferences, usePreferences } from "../state/preferences";
import { ErrorBoundary } from "../ui/ErrorBoundary";
import { Loading } from "../ui/States";
import { useLogOutbox } from "./log/useLogOutbox";

const Frame = styled.div`
  height: 100dvh;
  display: grid;
  grid-template-columns: 76px minmax(0, 1fr);
  > main { min-width: 0; min-height: 0; overflow: hidden; }
  > nav {
    display: flex;
    flex-direction: column;
    align-items: center;
    gap: 2px;
    padding: 10px 0;
    border-right: 1px solid var(--line);
  }
  > nav svg.logo { margin: 2px 0 12px; }
  > nav a, > nav button {
    width: 68px;
    padding: 8px 0 7px;
    border: 0;
    border-radius: 6px;
    background: none;
    color: var(--quiet);
    font-size: 12px;
    line-height: 14px;
    text-align: center;
    text-decoration: none;
    cursor: pointer;
  }
  > nav a:hover, > nav button:hover { background: var(--sheet); color: var(--ink); }
  > nav a[aria-current="page"] { background: var(--ink); color: var(--sheet); }
  > nav .count {
    display: block;
    margin: 2px auto 0;
    width: 18px;
    border-radius: 9px;
    background: var(--slate);
    color: var(--sheet);
    font-weight: 600;
  }
  > nav .push { flex: 1; }
  > nav button svg { display: block; margin: 0 auto 2px; }
  @media (max-width: 700px) {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: minmax(0, 1fr) auto;
    > main { order: 0; }
    > nav { order: 1; flex-direction: row; padding: 4px 8px; border: 0; border-top: 1px solid var(--line); overflow-x: auto; }
    > nav svg.logo { display: none; }
    > nav a, > nav button { flex: 1 0 auto; width: auto; padding: 8px 6px; font-size: 12px; display: grid; place-content: center; }
    > nav .push { display: none; }
    > nav .count { display: inline-block; margin: 0 0 0 3px; }
    > nav button svg { display: none; }
  }
  @media print { display: block; height: auto; > nav { display: none; } > main { overflow: visible; } }
`;

/** The rail and the room for a screen. */
export function Shell() {
  useOutbox();
  useLogOutbox();
  const { units, theme } = usePreferences();
  const { pathname } = useLocation();
  const count = usePicked().setups.length;
  const dark = theme === "dark" || (theme === "system" && matchMedia("(prefers-color-scheme: dark)").matches);
  return (
    <Frame>
      <nav aria-label="Screens">
        <svg className="logo" width="36" height="36" viewBox="0 0 32 32" role="img" aria-label="Dial Arc">
          <path d="M7 25A17 17 0 0 1 24 8" fill="none" stroke="var(--ember)" strokeWidth="6" />
          <path d="M24 25L13 12" stroke="var(--ink)" strokeWidth="2.4" strokeLinecap="round" />
          <circle cx="24" cy="25" r="3" fill="var(--ink)" />
        </svg>
        <NavLink to="/" end>
          Home
        </NavLink>
        <NavLink to="/lifters">Lifters</NavLink>
        <NavLink to="/kit">Equipment</NavLink>
        <NavLink to="/bench">Setup</NavLink>
        <NavLink to="/compare">
          Compare
          {count > 0 && <span className="count">{count}</span>}
        </NavLink>
        <NavLink to="/plan">Plan</NavLink>
        <NavLink to="/log">Log</NavLink>
        <NavLink to="/progress">Progress</NavLink>
        <NavLink to="/measure">Measure</NavLink>
        <span className="push" />
        <button
          type="button"
          aria-label={`Units: ${units === "metric" ? "kg, cm" : "lb, in"}; change`}
          onClick={() => setPreferences({ units: units === "metric" ? "imperial" : "metric" })}
        >
          <Ruler size={16} aria-hidden />
          {units === "metric" ? "kg, cm" : "lb, in"}
        </button>
        <button
          type="button"
          aria-label={`Theme: ${dark ? "dark" : "light"}; change`}
          onClick={() => setPreferences({ theme: dark ? "light" : "dark" })}
        >
          {dark ? <Moon size={16} aria-hidden /> : <Sun size={16} aria-hidden />}
          {dark ? "dark" : "light"}
        </button>
      </nav>
      <main>
        <ErrorBoundary place={pathname}>
          <Suspense fallback={<Loading what="Opening" />}>
            <Outlet />
          </Suspense>
        </ErrorBoundary>
      </main>
    </Frame>
  );
}
