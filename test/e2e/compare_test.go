package e2e

import (
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// drawn says that so many curves are drawn over each other.
func drawn(n int) string {
	return fmt.Sprintf(`document.querySelectorAll('[data-curve]').length === %d`, n)
}

// Two setups are kept from the bench by a key and a button, and a third is found by the region it loads; their loads are made equal, which
// is what the peaks then are; kept under a name they are there after a reload, and the loads go back to what they were.
func TestCompareThree(t *testing.T) {
	prog := startProgram(t)
	p := openRaise(t, prog)
	p.key("m")
	p.says("[role='status']", "was added to the comparison as A")
	p.key("m")
	p.says("body", "It is in the comparison already, as A.")
	p.typeInto("load.stack/0", "5")
	p.untilDial("load.stack/0", 5)
	p.press("Add to comparison")
	p.says("body", "was added to the comparison as B")
	p.visit(prog.url("/compare"))
	p.until("two curves", drawn(2))
	p.says(`[data-difference="peak"]`, "more torque than B")

	p.press("Add setups")
	p.press("By muscle")
	p.choose("Muscle", "Deltoid, middle")
	p.until("a ranking", `document.querySelectorAll('[data-ranked]').length > 5`)
	p.press("Compare: Side-lying dumbbell lateral raise")
	p.until("it is in", `[...document.querySelectorAll('button')].some(b => b.innerText === 'Is C')`)
	p.press("Done")
	p.until("three curves", drawn(3))
	p.says(`[data-confounder="kind"]`, "with dumbbells")

	peaks := func() []string {
		return read[[]string](p, `[...document.querySelectorAll('[data-difference="peak"] td.value')].map(e => e.innerText)`)
	}
	before := peaks()
	p.choose("Loads", "Equal peak torque")
	p.until("equal peaks", `new Set([...document.querySelectorAll('[data-difference="peak"] td.value')].map(e => e.innerText)).size === 1`)
	p.says(`[data-card="B"]`, "Equal with load on the pin 10")
	p.press("Muscle length")
	p.press("Effort")
	p.until("over the length", `document.querySelector('svg[role="img"]') && [...document.querySelectorAll('svg text')].some(e => e.textContent.includes('long to short'))`)

	p.act(`document.querySelector('[aria-label="Name of the comparison"]').focus()`)
	p.act(`document.querySelector('[aria-label="Name of the comparison"]').select()`)
	p.key("Long or not\r")
	p.press("Save")
	p.says(saveState, "version 1")
	p.reload()
	p.until("three curves", drawn(3))
	if name := read[string](p, `document.querySelector('[aria-label="Name of the comparison"]').value`); name != "Long or not" {
		t.Errorf("it is called %s", name)
	}
	p.says(`[data-card="B"]`, "Equal with load on the pin 10")
	p.choose("Loads", "As they are")
	p.until("as they were", fmt.Sprintf(`[...document.querySelectorAll('[data-difference="peak"] td.value')].map(e => e.innerText).join() === %s`, quoted(strings.Join(before, ","))))
	p.press("Save")
	p.says(saveState, "version 2")

	// Taken out and back in by undo; made the first; the differences as a file.
	p.press("Remove A")
	p.until("two curves", drawn(2))
	p.press("Undo")
	p.until("three curves", drawn(3))
	p.press("Make B the first")
	p.until("B is A", `document.querySelector('[data-difference="peak"] td.value').innerText === `+quoted(before[1]))
	keep := func(action, kind string) string {
		dir := p.downloads()
		p.press("More about the comparison")
		p.pick(action)
		return p.kept(dir, kind)
	}
	file := keep("Export differences (CSV)", ".csv")
	raw, err := os.ReadFile(file)
	if err != nil || !strings.HasPrefix(string(raw), "number,unit,") || !strings.Contains(string(raw), "Peak torque,N·m,") {
		t.Errorf("%s holds %.200s, %v", filepath.Base(file), raw, err)
	}

	// As a file it is another one of the same; what is no comparison is told.
	kept := keep("Export", ".json")
	upload := func(file string) {
		p.press("Import a comparison")
		p.until("a file is asked for", `document.querySelector('input[type="file"]')`)
		p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[type="file"]`), []string{file}))
	}
	upload(file)
	p.says(`[role="alert"]`, "This is not JSON")
	p.press("Cancel")
	upload(kept)
	p.says(`[role="dialog"]`, "Side-lying dumbbell lateral raise")
	p.press("Import")
	p.until("two of the name", `[...document.querySelectorAll('aside a')].filter(a => a.innerText.startsWith('Long or not')).length === 2`)
	p.until("the new one", `document.querySelector('[data-testid="save-state"]').innerText === 'version 1'`)
	p.until("three curves", drawn(3))
	p.press("More about the comparison")
	p.pick("Delete")
	p.says("body", "Long or not was deleted.")
	p.press("Undo")
	p.until("it is back", `[...document.querySelectorAll('aside a')].some(a => a.innerText.startsWith('Long or not'))`)
}

// With nothing picked the screen says what to do; a comparison that is not there is told; one setup alone is drawn.
func TestCompareNothing(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/compare"))
	p.says("section", "Nothing to compare yet")
	p.press("Add setups")
	p.fill("Find", "pull-down")
	p.until("found", `document.querySelectorAll('[role="dialog"] li').length > 0`)
	p.act(`document.querySelector('[role="dialog"] li button').click()`)
	p.press("Done")
	p.says("section", "Add another setup to compare with")
	p.load(prog.url("/compare/00000000-0000-0000-0000-000000000000"))
	p.says("section", "There is no such comparison")
}

// A comparison keeps what it compared: when a setup is changed since, it says so and takes it over when asked. Its copy is another
// one. What is found by region for another room begins on the bench with the kit that is there.
func TestComparedSince(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/compare"))
	p.press("Three raises")
	p.until("three curves", drawn(3))
	p.press("More about the comparison")
	p.pick("Duplicate")
	p.until("the copy", `document.querySelector('[aria-label="Name of the comparison"]')?.value === 'Three raises, copy'`)
	var kept struct{ Items []struct{ Name string } }
	prog.call("GET", "/api/comparisons", nil, &kept)
	if len(kept.Items) != 2 {
		t.Errorf("kept are %v", kept.Items)
	}

	p.act(`document.querySelector('[data-card="B"] a').click()`)
	p.until("the bench", `document.querySelector('[data-dial="load.mass/0"]')`)
	p.typeInto("load.mass/0", "4")
	p.untilDial("load.mass/0", 4)
	p.act(`document.activeElement.blur()`)
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "version 2")
	p.press("Compare")
	p.press("Three raises")
	p.says(`[data-card="B"]`, "The saved setup has changed since.")
	p.press("Use the saved version")
	p.until("it is taken", `!document.querySelector('[data-card="B"]').innerText.includes('another one')`)
	p.says(`[data-card="B"]`, "Equal with dumbbell")
	p.says(saveState, "not saved")

	p.press("Add setups")
	p.press("By muscle")
	p.choose("Gym", "Tour van corner")
	p.choose("Muscle", "Biceps")
	p.press("Shortened")
	p.until("a ranking that ends with what is missing",
		`(l => l.length > 3 && !l[0].querySelector('[aria-label="does not work"]') && l.at(-1).innerText.match(/no |not |without/i))([...document.querySelectorAll('[data-ranked]')])`)
	first := read[string](p, `document.querySelector('[data-ranked] .name').innerText.replace(/^\d+\. /, '')`)
	p.press("Start from: " + first)
	p.until("the bench", `location.pathname.startsWith('/bench/') && document.querySelector('[data-verdict="profile"]')`)
	if d := p.on(prog); d["name"] != first || d["target"].(map[string]any)["region"] != "biceps" {
		t.Errorf("%v was begun, not %s", d["name"], first)
	}
}

// To the first setup partners are found that do what it leaves out, and one of them is taken in: then the two belong together.
func TestPartners(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.ready("raise.dumbbell.lying"))
	p.until("judged", `document.querySelector('[data-verdict="profile"]')`)
	p.press("Add to comparison")
	p.press("Compare")
	p.until("one curve", drawn(1))
	p.press("Add setups")
	p.press("What A leaves out")
	p.choose("Gym", "Any gym")
	p.until("partners", `document.querySelectorAll('[data-ranked]').length >= 3`)
	first := read[string](p, `document.querySelector('[data-ranked] .name').innerText.replace(/^\d+\. /, '')`)
	p.says("[data-ranked] small", "A works the target lengthened")
	p.press("Compare: " + first)
	p.press("Done")
	p.until("two curves", drawn(2))
	p.until("they belong together", `document.querySelector('[data-set="AB"]')`)
}
