package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// planned makes a block for a lifter through the page and leaves its sheet open, with one exercise in its first day.
func (p *page) planned(prog *program, lifter, exercise string) {
	p.t.Helper()
	p.visit(prog.url("/plan"))
	p.press("Add")
	p.choose("Lifter", lifter)
	p.fill("Name", "Winter")
	p.setValue(`[role="dialog"] input[type="date"]`, `new Date().toLocaleDateString('sv')`)
	p.do(chromedp.Sleep(200e6))
	p.pressIn(`[role="dialog"]`, "Add")
	p.until("the plan", `document.querySelector('input[aria-label="Name of the plan"]')?.value === "Winter"`)
	p.press("Add an exercise to A")
	p.fill("Find", exercise)
	button := fmt.Sprintf(`document.querySelector('[role="dialog"] button[aria-label=%s]')`, quoted("Start from: "+exercise))
	p.until("it is found", button)
	p.act(button + ".click()")
	p.until("the exercise is in the day", `document.querySelector('[data-entry]')`)
}

// setValue gives a field that is not typed into a value, which is an expression.
func (p *page) setValue(selector, value string) {
	p.t.Helper()
	p.act(fmt.Sprintf(`(e => { Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(e, %s);
		e.dispatchEvent(new Event('input', { bubbles: true })) })(document.querySelector(%s))`, value, quoted(selector)))
}

// pressIn presses a button within a part of the page.
func (p *page) pressIn(selector, name string) {
	p.t.Helper()
	button := fmt.Sprintf(`[...document.querySelectorAll('%s button')].find(b => (b.ariaLabel ?? b.innerText).trim() === %s && !b.disabled)`,
		selector, quoted(name))
	p.until(name, button)
	p.act(button + ".click()")
}

// A week is planned: an exercise of the library, its sets changed, seen in the ledger, saved; its card goes on paper with what a lifter
// has to set; and undo takes a change back.
func TestPlanAWeek(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/"))
	p.planned(prog, "Suvi Brandt", "Dumbbell lateral raise")
	p.until("its sets", `document.querySelector('section[aria-label="Exercise"]')`)
	p.fill("Sets", "5")
	p.says(`[data-entry]`, "5 × 8–12")
	p.press("Undo")
	p.says(`[data-entry]`, "3 × 8–12")
	p.press("Redo")
	p.press("Duplicate")
	p.until("two of it", `document.querySelectorAll('[data-entry]').length === 2`)
	p.press("Undo")
	p.until("one of it", `document.querySelectorAll('[data-entry]').length === 1`)
	p.press("Back to the week")
	p.says(`section[aria-label="Hard sets this week"]`, "Deltoid, middle")
	p.says(`[data-region="deltoid.middle"]`, "5.0")
	p.says(`section[aria-label="Hard sets this week"]`, "your minimum is 6")
	p.press("More about day A")
	p.pick("Duplicate the day")
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "version 2")
	block := read[string](p, `location.pathname.split('/').pop()`)
	p.press("Give the plan to another lifter")
	p.choose("Lifter", "Madoc Quill")
	p.says(`[role="dialog"]`, "Every exercise can be done by Madoc Quill there")
	p.press("Make the copy")
	p.says("header", "Madoc Quill")
	p.until("the same exercise", `document.querySelector('[data-entry]')?.innerText.includes('Dumbbell lateral raise')`)
	p.visit(prog.url("/cards/" + block + "/0"))
	p.until("the card", `document.querySelectorAll('.exercise-card .pictures svg').length === 2 && document.querySelector('.code path')`)
	pages, text := p.printed(8.27, 11.69)
	for _, want := range []string{"Dumbbell lateral raise", "Suvi Brandt", "Sets", "8 to 12", "Left in reserve", "log on the phone",
		"Sharp or joint pain"} {
		if !strings.Contains(text, want) {
			t.Errorf("the card does not say %q: %s", want, text)
		}
	}
	if pages != 1 {
		t.Errorf("one card takes %d pages", pages)
	}
}

// A day is logged on a phone while the server goes away half way: every set is kept, sent once when it is back, seen live on the coach's
// screen, and comes out in progress; strength is taken over from it.
func TestLogADayOnAPhone(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/"))
	p.planned(prog, "Suvi Brandt", "Dumbbell lateral raise")
	p.until("a load", `document.querySelector('[data-entry] small')?.innerText.includes('kg')`)
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "version 2")
	coach := openPage(t, prog.url("/log"))
	coach.says("body", "Training now")
	p.do(chromedp.EmulateViewport(390, 844))
	p.visit(prog.url("/log"))
	p.act(`[...document.querySelectorAll('a[aria-label^="A"][aria-label$="of Suvi Brandt"]')].at(-1).click()`)
	p.until("the day", `document.querySelector('.go')?.innerText.includes('As planned')`)
	for _, bad := range read[[]string](p, fmt.Sprintf("%s(44)", small)) {
		t.Errorf("on the phone: %s", bad)
	}
	p.act(`document.querySelector('.go').click()`)
	p.says(".state", "Saved")
	coach.says(`section[aria-label="Training now"]`, "1 of 3 sets")
	prog.stop()
	p.pressIn("section", "One repetition more")
	p.act(`document.querySelector('.go').click()`)
	p.says(".state", "No network: kept on this phone")
	p.pressIn("section", "0 left")
	p.act(`document.querySelector('.go').click()`)
	p.until("all sets", `document.body.innerText.includes('All sets are done.')`)
	prog.start()
	p.says(".state", "Saved")
	p.reload()
	p.until("they are still there", `document.body.innerText.includes('All sets are done.')`)
	coach.says(`section[aria-label="Training now"]`, "3 of 3 sets")

	var lifters struct{ Items []struct{ ID, Name string } }
	prog.call("GET", "/api/lifters", nil, &lifters)
	for _, l := range lifters.Items {
		if l.Name != "Suvi Brandt" {
			continue
		}
		coach.visit(prog.url("/progress/" + l.ID))
	}
	coach.until("the chart", `document.querySelector('circle.hit')`)
	coach.says("body", "sets done")
	before := prog.sets("Suvi Brandt")
	coach.press("Update the strength")
	coach.says("body", "The strength of Suvi Brandt was updated")
	if after := prog.sets("Suvi Brandt"); after <= before {
		t.Errorf("%d known sets before, %d after", before, after)
	}
	coach.press("Undo")
	coach.until("it is taken back", fmt.Sprintf(`(async () => (await (await fetch('/api/lifters')).json()).items.find(l => l.name === "Suvi Brandt").body.sets?.length ?? 0)().then(n => n === %d)`, before))
}

// sets is how many known sets the sheet of a lifter has.
func (p *program) sets(name string) int {
	p.t.Helper()
	var lifters struct {
		Items []struct {
			Name string
			Body struct{ Sets []any }
		}
	}
	p.call("GET", "/api/lifters", nil, &lifters)
	for _, l := range lifters.Items {
		if l.Name == name {
			return len(l.Body.Sets)
		}
	}
	p.t.Fatalf("no %s", name)
	return 0
}

// A pain that should end the exercise says so before anything else, leaves the exercise on a press, and offers what is gentler; a station
// that is taken is swapped for another exercise with a load of its own.
func TestPainAndSwap(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/"))
	p.planned(prog, "Ilvane Torsk", "Dumbbell lateral raise")
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "version 2")
	p.do(chromedp.EmulateViewport(390, 844))
	p.visit(prog.url("/log"))
	p.act(`[...document.querySelectorAll('a[aria-label^="A"][aria-label$="of Ilvane Torsk"]')].at(-1).click()`)
	p.until("the day", `document.querySelector('.go')`)
	p.press("Station taken: swap")
	p.until("something else", `document.querySelector('[role="dialog"] button[aria-label^="Swap to "]')`)
	name := strings.TrimPrefix(read[string](p, `document.querySelector('[role="dialog"] button[aria-label^="Swap to "]').ariaLabel`),
		"Swap to ")
	p.act(`document.querySelector('[role="dialog"] button[aria-label^="Swap to "]').click()`)
	p.says(".now h2", name)
	p.press("Pain")
	p.choose("Where it hurts", "Shoulder")
	p.setValue(`input[type="range"][aria-label^="How much it hurts"]`, `6`)
	p.act(`document.querySelector('.go').click()`)
	p.says(`[role="dialog"]`, "Stop this exercise for today")
	p.says(`[role="dialog"]`, "across the shoulder")
	p.press("Leave the exercise")
	p.until("it was left", `document.body.innerText.includes('All sets are done.')`)
}

// A lifter without a plan comes in: sets are logged of exercises that are added as they are done, each with a load for its repetitions,
// and are there after a reload and on the server.
func TestLogWithoutAPlan(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/log"))
	p.do(chromedp.EmulateViewport(390, 844))
	p.choose("Lifter", "Kestrin Dahlke")
	p.press("Log sets as they come")
	for _, exercise := range []string{"Dumbbell lateral raise", "Dumbbell fly"} {
		p.press("Add an exercise")
		p.fill("Find", exercise)
		button := fmt.Sprintf(`document.querySelector('[role="dialog"] button[aria-label=%s]')`, quoted("Start from: "+exercise))
		p.until("it is found", button)
		p.act(button + ".click()")
		p.says(".now h2", exercise)
		p.until("a load", `/^As suggested\s+\d/.test(document.querySelector('.go')?.innerText)`)
		p.act(`document.querySelector('.go').click()`)
		p.says(".state", "Saved")
	}
	p.says(".head", "Without a plan, exercise 2 of 2")
	p.reload()
	p.says(".todo", "Still to do: 4 sets")
	var found struct {
		Items []struct {
			Document struct {
				BlockID string
				Sets    []struct{ Load, Reps float64 }
			}
		}
	}
	prog.call("GET", "/api/sessions?limit=1&lifterId="+read[string](p, `location.pathname.split('/').pop()`), nil, &found)
	if s := found.Items[0].Document; s.BlockID != "" || len(s.Sets) != 2 || s.Sets[0].Load <= 0 || s.Sets[0].Reps < 8 {
		t.Errorf("%+v", s)
	}
}

// A plan goes into a table and comes back out of it for another lifter; one of its days goes into a plan that is there; and a lifter's
// whole record comes in again.
func TestPlanAndRecordAsFiles(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/"))
	p.planned(prog, "Suvi Brandt", "Dumbbell lateral raise")
	p.fill("Sets", "5")
	p.says(`[data-entry]`, "5 × 8–12")
	dir := p.downloads()
	p.press("Export the plan")
	p.pick("As a table (CSV)")
	file := p.kept(dir, ".csv")
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "version 2")

	p.load(prog.url("/plan"))
	p.press("Add")
	p.choose("Lifter", "Madoc Quill")
	p.do(chromedp.SetUploadFiles(`[role="dialog"] input[type="file"]`, []string{file}))
	p.says("header", "Madoc Quill")
	p.says(`[data-entry]`, "5 × 8–12")
	p.press("More about day A")
	p.pick("Give to another lifter")
	p.choose("Lifter", "Suvi Brandt")
	p.choose("Plan", "Winter")
	p.press("Add the day")
	p.says("header", "Suvi Brandt")
	p.until("both days", `document.querySelectorAll('[data-entry]').length === 2 && document.querySelector('section[aria-label="Day D"] [data-entry]')`)

	p.visit(prog.url("/progress"))
	p.press("Suvi Brandt")
	dir = p.downloads()
	p.press("Whole record")
	file = p.kept(dir, ".json")
	p.visit(prog.url("/lifters"))
	p.press("More about the list")
	p.pick("Import lifters")
	p.until("the dialog", `document.querySelector('input[type="file"]')`)
	p.do(chromedp.SetUploadFiles(`input[type="file"]`, []string{file}))
	p.says(`[role="dialog"]`, "A lifter called Suvi Brandt is here already")
	p.pressIn(`[role="dialog"]`, "Add")
	p.until("two of the name", `[...document.querySelectorAll('aside a')].filter(a => a.innerText.startsWith("Suvi Brandt")).length === 2`)
}
