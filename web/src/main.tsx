import "./engine/module"; // first: the core loads while the rest of the page starts
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { App } from "./App";
import { registerOffline } from "./offline/register";
import { makeKeptPresent } from "./state/present";

const root = document.getElementById("root");
if (!root) throw new Error("The page has no root element.");
const show = () =>
  createRoot(root).render(
    <StrictMode>
      <App />
    </StrictMode>,
  );
makeKeptPresent().then(show, show);
registerOffline();
