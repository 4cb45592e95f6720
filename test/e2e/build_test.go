package e2e

import (
	"encoding/json"
	"fmt"
	"math"
	"os"
	"path/filepath"
	"reflect"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/chromedp/cdproto/browser"
	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// choose picks an option of a list that opens from a button with a label.
func (p *page) choose(label, option string) {
	p.t.Helper()
	find := fmt.Sprintf(`[...document.querySelectorAll('label, span')].find(e => e.textContent === %s)?.parentElement.querySelector('button')`,
		quoted(label))
	p.until("the list "+label, find)
	x, y := p.middle(find)
	p.do(chromedp.MouseClickXY(x, y))
	pick := fmt.Sprintf(`[...document.querySelectorAll('[role="option"]')].find(e => e.innerText.split('\n')[0] === %s)`, quoted(option))
	p.until("the option "+option, pick)
	x, y = p.middle(pick)
	p.do(chromedp.MouseClickXY(x, y))
	p.until("the list is closed", `!document.querySelector('[role="listbox"]')`)
}

// offers are the options of a list.
func (p *page) offers(label string) []string {
	p.t.Helper()
	p.act(fmt.Sprintf(`[...document.querySelectorAll('label, span')].find(e => e.textContent === %s).parentElement.querySelector('button').focus()`,
		quoted(label)))
	p.key(kb.ArrowDown)
	p.until("the options", `document.querySelector('[role="option"]')`)
	list := read[[]string](p, `[...document.querySelectorAll('[role="option"]')].map(e => e.innerText.split('\n')[0])`)
	p.key(kb.Escape)
	p.until("the list is closed", `!document.querySelector('[role="listbox"]')`)
	return list
}

// fromNothing answers the three questions for the lifter whose sheet is open, and starts without waiting for the search.
func (p *page) fromNothing(region, kind, position string) {
	p.t.Helper()
	p.press("New setup")
	p.press("From scratch")
	p.choose("Gym", "Any gym")
	p.choose("What is it for?", region)
	p.choose("With what?", kind)
	p.choose("In what position?", position)
	p.started()
}

// started starts with what stands there, whether the search is over or not.
func (p *page) started() {
	p.t.Helper()
	start := `[...document.querySelectorAll('[role="dialog"] button')].find(b => /^Start( without waiting)?$/.test(b.innerText) && !b.disabled)`
	p.until("it can be started", start)
	p.act(start + ".click()")
	p.until("the bench", `location.pathname.startsWith('/bench/') && document.querySelector('[data-verdict="profile"]')`)
}

// draft is what the browser keeps of the open document; empty when nothing is unsaved.
const draft = `(JSON.parse(localStorage.getItem('dialarc.draft.' + location.pathname.split('/').pop()) ?? '{}').document ?? '')`

// on is the document on the bench as the browser keeps it, or as the server has it when nothing is unsaved.
func (p *page) on(prog *program) map[string]any {
	p.t.Helper()
	id := read[string](p, "location.pathname.split('/').pop()")
	out := map[string]any{}
	if text := read[string](p, draft); text != "" {
		if err := json.Unmarshal([]byte(text), &out); err != nil {
			p.t.Fatal(err)
		}
		return out
	}
	var stored struct{ Document map[string]any }
	prog.call("GET", "/api/setups/"+id, nil, &stored)
	return stored.Document
}

// A fly against a band, from nothing: begun, turned, given a second band, and all of it taken back and done again, over a
// reload; then kept as a file, which begins the same setup again.
func TestBuildABandFly(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/lifters"))
	p.press("Madoc Quill")
	p.fromNothing("Chest, middle", "Band", "Lying on the back")
	p.says(verdict("muscles"), "iddle chest")
	begun := p.on(prog)
	height := p.dial("band.height/0")
	p.typeInto("band.height/0", "15")
	p.untilDial("band.height/0", 15)
	p.press("Duplicate: band")
	p.until("a second band", `document.querySelector('[data-dial="band.height/1"]')`)
	p.typeInto("band.height/1", "120")
	p.choose("Posture", "Standing")
	p.until("standing", `document.querySelector('[data-dial="stance.out"]') && !document.querySelector('[data-dial="bench.angle"]')`)
	p.choose("Target profile", "Late")
	built := p.on(prog)
	if built["target"].(map[string]any)["profile"] != "late" || len(built["loads"].([]any)) != 2 ||
		built["posture"].(map[string]any)["kind"] != "standing" {
		t.Errorf("built %v", built)
	}
	steps := 0
	for ; !reflect.DeepEqual(p.on(prog), begun) && steps < 10; steps++ {
		before := read[string](p, draft)
		p.press("Undo")
		p.until("one change is undone", draft+" !== "+quoted(before))
	}
	p.untilDial("band.height/0", height)
	if steps != 5 {
		t.Errorf("five changes were undone in %d steps", steps)
	}
	for range steps {
		p.press("Redo")
	}
	p.until("all is done again", `document.querySelector('[data-dial="band.height/1"]')`)
	if again := p.on(prog); !reflect.DeepEqual(again, built) {
		t.Errorf("done again it is %v, was %v", again, built)
	}
	p.reload()
	p.until("the bench", `document.querySelector('[data-dial="band.height/1"]')`)
	if after := p.on(prog); !reflect.DeepEqual(after, built) {
		t.Errorf("after a reload it is %v, was %v", after, built)
	}

	file := p.keeps("Export the setup", ".json")
	p.press("Madoc Quill")
	p.press("New setup")
	p.press("File")
	p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[type="file"]`), []string{file}))
	p.press("Use as it is")
	p.until("the bench", `document.querySelector('[data-dial="band.height/1"]')`)
	if again := p.on(prog); !reflect.DeepEqual(again, built) {
		t.Errorf("from its file it is %v, was %v", again, built)
	}
}

// downloads is a new folder into which the browser puts what is kept from now on.
func (p *page) downloads() string {
	p.t.Helper()
	dir := p.t.TempDir()
	if _, err := chromedp.CallBrowser(p.ctx, browser.SetDownloadBehavior,
		browser.SetDownloadBehaviorParams{Behavior: browser.SetDownloadBehaviorBehaviorAllow, DownloadPath: dir,
			BrowserContextID: chromedp.FromContext(p.ctx).BrowserContextID}); err != nil {
		p.t.Fatal(err)
	}
	return dir
}

// keeps presses what keeps a file and returns where it is.
func (p *page) keeps(button, kind string) string {
	p.t.Helper()
	dir := p.downloads()
	p.press(button)
	return p.kept(dir, kind)
}

// kept waits for a whole file of a kind in a folder.
func (p *page) kept(dir, kind string) string {
	p.t.Helper()
	before := int64(-1)
	for range 200 {
		time.Sleep(50 * time.Millisecond)
		found, _ := filepath.Glob(filepath.Join(dir, "*"+kind))
		if len(found) != 1 {
			continue
		}
		// The browser makes the file first and fills it then.
		info, err := os.Stat(found[0])
		if err == nil && info.Size() > 0 && info.Size() == before {
			return found[0]
		}
		if err == nil {
			before = info.Size()
		}
	}
	p.t.Fatalf("no file %s was kept", kind)
	return ""
}

// A raise lying on the side against a cable, from nothing.
func TestBuildALyingCableRaise(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/lifters"))
	p.press("Suvi Brandt")
	p.fromNothing("Deltoid, middle", "Cable", "Lying on the side")
	p.choose("Attached", "Cuff at the wrist")
	p.typeInto("pulley.height/0", "30")
	p.untilDial("pulley.height/0", 30)
	p.typeInto("range.to", "80")
	p.untilDial("range.to", 80)
	d := p.on(prog)
	load := d["loads"].([]any)[0].(map[string]any)
	if d["posture"].(map[string]any)["kind"] != "side-lying" || load["contact"].(map[string]any)["at"] != "wrist" ||
		load["pulley"].(map[string]any)["y"] != 0.3 {
		t.Errorf("built %v", d)
	}
	p.until("it is judged", `document.querySelectorAll('[data-verdict]').length >= 5`)
	p.press("Left")
	p.until("the other arm", fmt.Sprintf(`JSON.parse(localStorage.getItem('dialarc.draft.' + location.pathname.split('/').pop())).document.includes(%s)`, quoted(`"side":"left"`)))
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "version 2")
}

// A pull-down on a lever, seated, from nothing; a machine is offered only where one is known.
func TestBuildALeverPullDown(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/lifters"))
	p.press("Ilvane Torsk")
	p.press("New setup")
	p.press("From scratch")
	p.choose("What is it for?", "Triceps")
	if kinds := p.offers("With what?"); slices.Contains(kinds, "Machine") || !slices.Contains(kinds, "Cable") {
		t.Errorf("for the triceps it offers %v", kinds)
	}
	p.press("Cancel")
	p.press("New setup")
	p.press("From scratch")
	p.choose("What is it for?", "Deltoid, middle")
	p.choose("With what?", "Cable")
	p.says(`[role="dialog"]`, "Dialled in: fit")
	p.says(`[role="dialog"]`, "instead of")
	p.until("it is dialled in", `[...document.querySelectorAll('[role="dialog"] button')].some(b => b.innerText === "Start" && !b.disabled)`)
	p.started()
	p.press("Lifters")
	p.press("Ilvane Torsk")
	p.fromNothing("Latissimus, lower", "Machine", "Seated")
	before := p.dial("lever.plates/0")
	p.key("+")
	next := 2.5 * (math.Floor(before/2.5+1e-9) + 1) // the next on the dial's own grid
	p.untilDial("lever.plates/0", next)
	seat := p.dial("seat.height")
	p.key("s")
	p.untilDial("seat.height", seat+5)
	if load := p.on(prog)["loads"].([]any)[0].(map[string]any); load["kind"] != "lever" || load["plateMass"] != next {
		t.Errorf("built %v", load)
	}
}

// The picture and the charts can be kept: drawings that stand by themselves, and values that a spreadsheet reads.
func TestPicturesAndValuesAsFiles(t *testing.T) {
	p := openRaise(t, startProgram(t))
	menu := func(button, item string) string {
		p.press(button)
		pick := fmt.Sprintf(`[...document.querySelectorAll('[role="menuitem"]')].find(e => e.innerText === %s)`, quoted(item))
		p.until(item, pick)
		dir := p.downloads()
		x, y := p.middle(pick)
		p.do(chromedp.MouseClickXY(x, y))
		if strings.HasPrefix(item, "Show") {
			return ""
		}
		raw, err := os.ReadFile(p.kept(dir, "."+strings.ToLower(item[len(item)-3:])))
		if err != nil {
			t.Fatal(err)
		}
		return string(raw)
	}
	svg := menu("Export the picture", "Export as SVG")
	if !strings.HasPrefix(svg, "<svg") || strings.Contains(svg, "var(--") || strings.Contains(svg, "color-mix") ||
		!strings.Contains(svg, "font/woff2") || strings.Count(svg, "<path") < 20 {
		t.Errorf("the picture: %.400s", svg)
	}
	if png := menu("Export the picture", "Export as PNG"); !strings.HasPrefix(png, "\x89PNG\r\n") || len(png) < 20000 {
		t.Errorf("the picture in pixels has %d bytes", len(png))
	}
	chart := "Cross-behind cable lateral raise, hand height, profile: table and files"
	csv := menu(chart, "Export values as CSV")
	lines := strings.Split(strings.TrimSpace(csv), "\r\n")
	if len(lines) != 102 || !strings.HasPrefix(lines[0], "angle (°),torque (N·m)") || !strings.HasPrefix(lines[101], "95,") {
		t.Errorf("%d lines, %q to %q", len(lines), lines[0], lines[len(lines)-1])
	}
	if svg := menu(chart, "Export as SVG"); strings.Contains(svg, "var(--") || !strings.Contains(svg, "Dashed: strength") {
		t.Errorf("the chart: %.300s", svg)
	}
	menu(chart, "Show as a table")
	p.says("section.table", "torque (N·m)")
	menu(chart, "Show the chart")
	p.until("the chart", `!document.querySelector('section.table')`)
}

// Saved states have names and can be taken back onto the bench; notes and cues belong to the setup.
func TestSavedStates(t *testing.T) {
	p := openRaise(t, startProgram(t))
	p.key(".")
	p.untilDial("stance.out", 75)
	p.act(`(() => { const t = document.querySelector('textarea'); t.scrollIntoView(); t.focus(); t.select(); })()`)
	p.key("Reach long.\rRibs down.")
	p.act(`document.activeElement.blur()`)
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "version 2")
	p.press("Versions")
	p.until("pictures", `document.querySelectorAll('[role="dialog"] li svg').length === 2`)
	p.says(`[role="dialog"]`, "open now")
	p.act(`document.querySelector('[aria-label="Name of version 1"]').focus()`)
	p.key("As it came")
	p.key("\r")
	p.press("Go back to version 1")
	p.untilDial("stance.out", 70)
	p.says(saveState, "version 2, not saved")
	if cues := read[string](p, `document.querySelector('textarea').value`); !strings.HasPrefix(cues, "Start with the hands") {
		t.Errorf("the first state had the ready setup's cues, now %q", cues)
	}
	p.press("Undo")
	p.untilDial("stance.out", 75)
	p.until("the cues", `document.querySelector('textarea').value === "Reach long.\nRibs down."`)
	p.press("Versions")
	p.until("the name was kept", `document.querySelector('[aria-label="Name of version 1"]')?.value === "As it came"`)
}
