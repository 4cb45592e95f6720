import sans from "@fontsource-variable/instrument-sans/files/instrument-sans-latin-wght-normal.woff2?url";
import mono from "@fontsource-variable/spline-sans-mono/files/spline-sans-mono-latin-wght-normal.woff2?url";
import { notify } from "../ui/Notices";
import { download, fileName } from "./file";

/** Hands a drawing of the page to the browser as a file. A failure is told to the coach. */
export async function keepDrawing(
  drawing: SVGSVGElement,
  name: string,
  kind: "svg" | "png",
  caption: string[] = [],
  fineness = 2,
) {
  try {
    const svg = await svgFile(drawing, name, caption);
    download(
      fileName(name, kind),
      kind === "png" ? await pngFile(svg, fineness) : new Blob([svg], { type: "image/svg+xml" }),
    );
  } catch {
    notify("The browser could not make the picture.");
  }
}

/**
 * A drawing of the page as a file of its own. Colours are resolved, because other programs know neither the page's
 * tokens nor mixed colours; the fonts go along.
 */
async function svgFile(drawing: SVGSVGElement, title: string, caption: string[] = []): Promise<string> {
  const { width, height: drawn } = drawing.getBoundingClientRect();
  const height = drawn + (caption.length ? 10 + 16 * caption.length : 0);
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const [live, cloned] = [drawing, copy].map((root) => [root, ...root.querySelectorAll<SVGElement>("*")]);
  const resolve = resolver();
  live?.forEach((from, i) => {
    const to = cloned?.[i];
    if (to) settle(from, to, resolve);
  });
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  copy.setAttribute("width", String(width));
  copy.setAttribute("height", String(height));
  copy.setAttribute("viewBox", `0 0 ${width} ${height}`);
  const name = document.createElementNS(copy.namespaceURI, "title");
  name.textContent = title;
  const paper = document.createElementNS(copy.namespaceURI, "rect");
  for (const [k, v] of [
    ["width", "100%"],
    ["height", "100%"],
    ["fill", resolve("var(--paper)")],
  ] as const)
    paper.setAttribute(k, v);
  const style = document.createElementNS(copy.namespaceURI, "style");
  style.textContent = `${await fontFaces()} text { font-family: "Dial Arc Sans", sans-serif; } .mono, .mono text { font-family: "Dial Arc Mono", monospace; }`;
  copy.prepend(name, style, paper);
  caption.forEach((line, i) => {
    const text = document.createElementNS(copy.namespaceURI, "text");
    text.setAttribute("x", "4");
    text.setAttribute("y", String(drawn + 16 * (i + 1)));
    text.setAttribute("font-size", "11");
    text.setAttribute("fill", resolve("var(--quiet)"));
    text.textContent = line;
    copy.append(text);
  });
  return new XMLSerializer().serializeToString(copy);
}

/** The same drawing as pixels, so many times as fine as on the page. */
async function pngFile(svg: string, fineness: number): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [image.width * fineness, image.height * fineness];
  canvas.getContext("2d")?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((done, failed) =>
    canvas.toBlob((b) => (b ? done(b) : failed(new Error("The browser made no picture of it."))), "image/png"),
  );
}

/** Copies what the page's styles make of an element to its copy. */
function settle(from: SVGElement, to: SVGElement, resolve: (colour: string) => string): void {
  const computed = getComputedStyle(from);
  for (const name of ["fill", "stroke"] as const)
    if (/var\(|color-mix/.test(from.getAttribute(name) ?? "")) to.setAttribute(name, resolve(computed[name]));
  const font = from.getAttribute("font-family");
  if (font?.includes("Mono")) {
    to.removeAttribute("font-family");
    to.classList.add("mono");
  }
  to.removeAttribute("style");
  to.removeAttribute("tabindex");
}

/** Turns any colour that the browser knows into hexadecimal digits. */
function resolver(): (colour: string) => string {
  const canvas = document.createElement("canvas");
  canvas.width = canvas.height = 1;
  const pen = canvas.getContext("2d", { willReadFrequently: true });
  const probe = document.createElement("i");
  const known = new Map<string, string>();
  return (colour) => {
    const before = known.get(colour);
    if (before) return before;
    if (!pen || colour === "none" || colour.startsWith("url(")) return colour;
    probe.style.color = colour;
    document.body.append(probe);
    pen.clearRect(0, 0, 1, 1);
    pen.fillStyle = getComputedStyle(probe).color;
    probe.remove();
    pen.fillRect(0, 0, 1, 1);
    const [r = 0, g = 0, b = 0] = pen.getImageData(0, 0, 1, 1).data;
    const hex = `#${[r, g, b].map((v) => v.toString(16).padStart(2, "0")).join("")}`;
    known.set(colour, hex);
    return hex;
  };
}

let faces: Promise<string> | undefined;

function fontFaces(): Promise<string> {
  faces ??= Promise.all(
    [
      ["Dial Arc Sans", sans],
      ["Dial Arc Mono", mono],
    ].map(async ([family, url]) => {
      const raw = new Uint8Array(await (await fetch(url as string)).arrayBuffer());
      const text = btoa(Array.from(raw, (c) => String.fromCharCode(c)).join(""));
      return `@font-face { font-family: "${family}"; font-weight: 400 700; src: url(data:font/woff2;base64,${text}) format("woff2"); }`;
    }),
  ).then((all) => all.join(" "));
  return faces;
}
