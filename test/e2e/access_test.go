package e2e

import (
	"fmt"
	"os"
	"slices"
	"strings"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/setup"

	"github.com/chromedp/chromedp"
)

// wrong is what axe-core finds that is serious: WCAG rules, published by the W3C and tested by their rule authors. All of them, or those
// about colours; of an open dialog alone where there is one, for what lies behind it was looked at before.
func (p *page) wrong(colours bool) []string {
	p.t.Helper()
	script, err := os.ReadFile("../../web/node_modules/axe-core/axe.min.js")
	if err != nil {
		p.t.Fatal(err)
	}
	p.do(chromedp.Evaluate[chromedp.Void]("if (!window.axe) {" + string(script) + "}"))
	which := ""
	if colours {
		which = ", runOnly: {type: 'rule', values: ['color-contrast', 'link-in-text-block']}"
	}
	asked := `axe.run(document.querySelector('[role="dialog"]') ?? document,
		{preload: false, resultTypes: ['violations']` + which + `}).then(r => r.violations
		.filter(v => v.impact === 'serious' || v.impact === 'critical')
		.flatMap(v => v.nodes.slice(0, 4).map(n => v.id + ': ' + n.target.join(' ') + ' | ' + n.html.slice(0, 120) + ' | ' +
			(n.any[0] ?? n.all[0] ?? n.none[0])?.message)))`
	found, err := chromedp.Run(p.ctx, chromedp.Evaluate[[]string](asked, chromedp.EvalAwaitPromise))
	if err != nil {
		p.t.Fatal(err)
	}
	return found
}

// No view has a serious fault by axe-core; in the dark theme only the colours are looked at, for nothing else is other there.
func TestAccessible(t *testing.T) {
	t.Parallel()
	parts := map[string]func(prog *program, p *page, check func(what string)){
		"home and lifters": listsAreAccessible, "gyms": gymsAreAccessible, "setup": setupIsAccessible, "compare": compareIsAccessible,
		"week": weekIsAccessible, "measure": measureIsAccessible}
	for name, part := range parts {
		t.Run(name, func(t *testing.T) {
			prog := startProgram(t)
			p := openPage(t, prog.url("/"))
			p.act(`localStorage.setItem('dialarc.preferences', JSON.stringify({theme: 'light'}))`)
			p.reload()
			part(prog, p, func(what string) {
				t.Helper()
				for _, theme := range []string{"dark", "light"} {
					p.act(`document.documentElement.dataset.theme = ` + quoted(theme))
					for _, w := range p.wrong(theme == "dark") {
						t.Errorf("%s, %s: %s", what, theme, w)
					}
				}
			})
		})
	}
}

func listsAreAccessible(prog *program, p *page, check func(what string)) {
	p.until("the rep", `document.querySelector('figure svg')`)
	p.fill("Start from an exercise", "pushdown")
	p.until("what is found", `document.querySelector('button[aria-label^="Open: "]')`)
	check("home")
	p.visit(prog.url("/lifters"))
	p.press("Suvi Brandt")
	p.until("the sheet", `document.querySelector('input[aria-label="Name of the lifter"]')?.value === "Suvi Brandt"`)
	p.until("pictures", `document.querySelectorAll('.row svg').length > 4`)
	check("lifter")
	p.press("New setup")
	for _, way := range []string{"Exercises", "Saved", "From scratch", "File"} {
		p.press(way)
		check("new setup, " + way)
	}
	p.press("Cancel")
	for _, part := range []string{"Body", "Ranges", "Strength"} {
		p.press(part)
		check("lifter, " + part)
	}
	p.press("More about the list")
	p.pick("Import lifters")
	check("lifters from a file")
}

func weekIsAccessible(prog *program, p *page, check func(what string)) {
	views := prog.views()
	p.visit(views["plan"])
	p.until("the ledger", `document.querySelector('[data-region]')`)
	check("plan")
	p.act(`document.querySelector('[data-entry] button').click()`)
	p.until("the exercise", `document.querySelector('section[aria-label="Exercise"]')`)
	check("exercise of a plan")
	p.visit(views["cards"])
	p.until("cards", `document.querySelector('.exercise-card .code path')`)
	check("cards")
	p.visit(prog.url("/log"))
	p.says("body", "Nobody is logging right now")
	check("log")
	p.act(`document.querySelector('a[aria-label*=": log the day of "]').click()`)
	p.until("the day", `document.querySelector('.go')`)
	check("day log")
	p.visit(views["progress"])
	p.until("the chart", `document.querySelector('circle.hit')`)
	check("progress")
}

func gymsAreAccessible(_ *program, p *page, check func(what string)) {
	p.press("Equipment")
	p.press("Rehearsal hall")
	p.until("the gym", `document.querySelector('[data-item="twin-column"]')`)
	p.act(`document.querySelectorAll('[data-item="twin-column"] .toggle, [data-item="knee-extension"] .toggle').forEach(e => e.click())`)
	check("gym")
	p.press("Measure it")
	p.until("the steps", `document.querySelector('[role="dialog"] ol')`)
	check("measure")
	p.press("Discard")
	p.press("Add")
	check("new gym")
}

func setupIsAccessible(prog *program, p *page, check func(what string)) {
	p.open(prog.ready("raise.behind.hand"))
	p.until("painted", `document.querySelector('[data-fresh="true"]')`)
	check("setup")
	p.typeInto("range.to", "3")
	p.says(".stale", "last valid setup")
	check("setup with a bad value")
	p.press("Undo")
	p.key("d")
	p.press("Find better settings")
	p.until("answers", `document.querySelector('li.answer svg')`)
	check("dial in")
	p.press("Map")
	p.until("the map", `document.querySelector('svg.map')`)
	check("map of two")
	p.press("Close")
	p.press("Versions")
	p.until("states", `document.querySelector('[role="dialog"] li')`)
	check("saved states")
	p.press("Close")
	p.key("?")
	check("keys")
}

func compareIsAccessible(_ *program, p *page, check func(what string)) {
	p.press("Compare")
	p.press("Three raises")
	p.until("differences", `document.querySelectorAll('[data-difference]').length > 9`)
	check("compare")
	p.press("Add setups")
	p.press("By muscle")
	p.until("a ranking", `document.querySelectorAll('[data-ranked] svg').length > 2`)
	check("ranking")
}

func measureIsAccessible(prog *program, p *page, check func(what string)) {
	p.visit(prog.url("/measure"))
	p.press("Suvi Brandt")
	p.until("what is worth it", `document.querySelector('ol[aria-label^="Worth measuring"] li')`)
	check("what to measure")
	p.press("Strength over the range")
	p.fill("Strap, from the joint", "52")
	p.act(`(e => { Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set.call(e, '20 110\n20 112\n60 90\n60 130');
		e.dispatchEvent(new Event('input', { bubbles: true })) })(document.querySelector('textarea'))`)
	p.says(`[aria-label="What it comes to"]`, "apart: take another")
	check("strength")
	suvi := prog.url("/measure/" + p.lifterID(prog, "Suvi Brandt"))
	p.visit(suvi + "/activity")
	p.until("the ways to record", `document.querySelector('input[aria-label="Open a file of repetitions"]')`)
	p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[aria-label="Open a file of repetitions"]`), []string{edfOf(p.t, 2, 20)}))
	p.says(`ul[aria-label="Channels"]`, "Saturated")
	check("muscle activity")
	p.visit(suvi + "/photo")
	p.press("Try a drawn one")
	p.press("Place shoulder in the middle")
	p.until("a mark", `document.querySelector('[data-mark="shoulder"]')`)
	check("photograph")
	p.visit(prog.url("/measure/studies"))
	p.press("Add a study")
	p.press("Choose lifters")
	p.until("lifters", `document.querySelector('[role="dialog"] input')`)
	check("study")
}

// crossings are pairs of texts on the page whose boxes lie over each other, of what is seen of them.
const crossings = `(() => {
	const out = [], boxes = [];
	const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
	for (let n = walk.nextNode(); n; n = walk.nextNode()) {
		const e = n.parentElement;
		if (!n.textContent.trim() || !e.checkVisibility({visibilityProperty: true, opacityProperty: true}) || e.closest('title, option, [data-hint], [style*="clip"]')) continue;
		const range = document.createRange();
		range.selectNodeContents(n);
		for (const r of range.getClientRects()) {
			let [l, t, right, b] = [r.left, r.top, r.right, r.bottom];
			for (let a = e; a; a = a.parentElement) {
				const s = getComputedStyle(a);
				if (s.overflow === 'visible' || (a instanceof SVGElement && a.tagName !== 'svg')) continue;
				const c = a.getBoundingClientRect();
				[l, t, right, b] = [Math.max(l, c.left), Math.max(t, c.top), Math.min(right, c.right), Math.min(b, c.bottom)];
			}
			if (right - l > 1 && b - t > 1) boxes.push({l, t, r: right, b, text: n.textContent.trim().slice(0, 40), e});
		}
	}
	for (const e of document.querySelectorAll('input:not([type=range]):not([type=checkbox])')) {
		const r = e.getBoundingClientRect();
		if (e.value && e.scrollWidth > e.clientWidth + 1 && getComputedStyle(e).textOverflow !== 'ellipsis') out.push('cut off: ' + e.value.slice(0, 40));
	}
	for (let i = 0; i < boxes.length; i++) for (let k = i + 1; k < boxes.length; k++) {
		const [a, c] = [boxes[i], boxes[k]];
		const w = Math.min(a.r, c.r) - Math.max(a.l, c.l), h = Math.min(a.b, c.b) - Math.max(a.t, c.t);
		if (w > 2 && h > 4 && a.e !== c.e) out.push(a.text + ' / ' + c.text);
	}
	return out;
})()`

// wide are the parts of the page that are wider than they show.
const wide = `[document.scrollingElement, ...document.querySelectorAll('.rig, .arc, main, header')].filter(e => e && e.scrollWidth > e.clientWidth + 1).map(e => (e.className || e.tagName) + ' ' + e.scrollWidth + ' in ' + e.clientWidth)`

// small are the things to press that are smaller than a finger or a pointer needs, as WCAG 2.2, 2.5.8 has it for pointers (24 CSS px) and
// 2.5.5 for fingers (44): links within a sentence and what lies behind something else are left out.
const small = `(least => [...document.querySelectorAll(
	'button, a[href], [role="radio"], [role="tab"], [role="checkbox"], summary, label:has(> input), select')].filter(e => {
	const r = e.getBoundingClientRect(), s = getComputedStyle(e);
	if (r.width === 0 || s.visibility === 'hidden' || e.closest('[inert], [aria-hidden="true"], svg, [aria-label="Poses of the path"]')) return false;
	if (s.display === 'inline' || e.parentElement.matches('p, .problem, .verdict, li > span')) return false;
	return Math.min(r.width, r.height) < least - 0.5;
}).map(e => [e.ariaLabel ?? e.innerText ?? '', e.getBoundingClientRect()]).map(([text, r]) =>
	'small: ' + text.slice(0, 40) + ' ' + Math.round(r.width) + ' x ' + Math.round(r.height)))`

// looks are the sizes of a desk, a laptop, a tablet and a laptop at twice the size, and of a phone; the longer words of the other units at
// some of them. The phone has a page of its own, as things begin folded there; between the others the window is resized.
var looks = [][]look{
	{{"metric", 1920, 1080, 24}, {"imperial", 1280, 800, 24}, {"imperial", 820, 1180, 24}, {"metric", 640, 400, 24}},
	{{"imperial", 390, 844, 44}},
}

type look struct {
	units         string
	width, height int64
	// finger is how large what is pressed is at least, CSS px.
	finger int
}

// Nothing scrolls sideways, no text lies on another and all that is pressed is large enough, at every size, with the longest name that is
// allowed.
func TestLayoutHolds(t *testing.T) {
	t.Parallel()
	for _, sizes := range looks {
		t.Run(fmt.Sprintf("from %d wide", sizes[0].width), func(t *testing.T) {
			prog := startProgram(t)
			p := openPage(t, prog.url("/"))
			p.do(chromedp.EmulateViewport(sizes[0].width, sizes[0].height))
			p.reload()
			for what, url := range prog.views() {
				p.do(chromedp.EmulateViewport(sizes[0].width, sizes[0].height))
				p.visit(url)
				for _, l := range sizes {
					for _, bad := range p.ill(l) {
						t.Errorf("%s, %s %d wide: %s", what, l.units, l.width, bad)
					}
				}
			}
		})
	}
}

// inUnits turns the page to units that it may have already.
func (p *page) inUnits(units string) {
	p.t.Helper()
	shown := map[string]string{"metric": "kg, cm", "imperial": "lb, in"}[units]
	p.act(fmt.Sprintf(`(b => b.ariaLabel.includes(%s) || b.click())(document.querySelector('button[aria-label^="Units: "]'))`, quoted(shown)))
	p.until("the units "+shown, fmt.Sprintf(`document.querySelector('button[aria-label^="Units: "]').ariaLabel.includes(%s)`, quoted(shown)))
}

// ill is what is wrong with a view at a size.
func (p *page) ill(l look) []string {
	p.t.Helper()
	p.do(chromedp.EmulateViewport(l.width, l.height))
	p.inUnits(l.units)
	p.until("the view", `document.querySelector('[data-fresh="true"], [data-difference], aside a:not([href^="/compare"]), header a[href^="/measure/"], aside h1, figure svg, .exercise-card, a[aria-label*=": log the day of "]')`)
	p.do(chromedp.Evaluate[chromedp.Void](onScreen, chromedp.EvalAwaitPromise))
	return slices.Concat(read[[]string](p, wide), read[[]string](p, crossings), read[[]string](p, fmt.Sprintf("%s(%d)", small, l.finger)))
}

// views are the addresses of the main views, with the longest names that are allowed.
func (p *program) views() map[string]string {
	long := strings.Repeat("A very long name of a setup ", 7)[:190]
	var rooms, kept struct{ Items []struct{ ID string } }
	p.call("GET", "/api/rooms", nil, &rooms)
	p.call("GET", "/api/comparisons", nil, &kept)
	var blocks struct {
		Items []struct {
			ID       string
			Document struct{ LifterID string }
		}
	}
	p.call("GET", "/api/blocks", nil, &blocks)
	first := blocks.Items[0]
	out := map[string]string{"plan": p.url("/plan/" + first.ID), "log": p.url("/log"),
		"progress": p.url("/progress/" + first.Document.LifterID), "cards": p.url("/cards/" + first.ID + "/0"), "home": p.url("/"), "lifters": p.url("/lifters"), "gym": p.url("/kit/" + rooms.Items[0].ID),
		"comparison": p.url("/compare/" + kept.Items[0].ID)}
	out["studies"] = p.url("/measure/studies")
	for _, way := range []string{"", "/strength", "/activity", "/photo"} {
		out["measure"+way] = p.url("/measure/" + first.Document.LifterID + way)
	}
	for _, key := range []string{"raise.behind.hand", "lever.far", "squat.goblet"} {
		out[key] = p.readyAs(key, long)
	}
	return out
}

// readyAs saves a ready setup under another name.
func (p *program) readyAs(key, name string) string {
	p.t.Helper()
	var lifters struct{ Items []struct{ ID string } }
	p.call("GET", "/api/lifters", nil, &lifters)
	for _, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		if r.Key == key {
			if name != "" {
				r.Document.Name = name
			}
			var saved struct{ ID string }
			p.call("POST", "/api/setups", map[string]any{"lifterId": lifters.Items[0].ID, "document": r.Document}, &saved)
			return p.url(fmt.Sprint("/bench/", saved.ID))
		}
	}
	p.t.Fatalf("no ready setup %s", key)
	return ""
}
