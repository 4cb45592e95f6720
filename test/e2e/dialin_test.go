package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// The pulley is locked on its dial, the strap in the dialog, others freed: the answers leave it where it is; the second one is taken,
// undone in one step, and a search is stopped half way.
func TestDialIn(t *testing.T) {
	prog := startProgram(t)
	p := openRaise(t, prog)
	hole, out, plane := p.dial("pulley.height/0"), p.dial("stance.out"), p.dial("path.plane")
	lock := `[...document.querySelectorAll('button')].find(b => b.getAttribute('aria-label') === 'Pulley: lock')`
	p.press("Pulley: lock")
	p.until("it is locked", lock+`?.getAttribute('aria-pressed') === 'true'`)
	before := p.on(prog)
	if locked, _ := before["locked"].([]any); len(locked) != 1 || locked[0] != "pulley.height/0" {
		t.Errorf("locked %v", before["locked"])
	}
	p.act(`document.activeElement.blur()`)
	p.key("d")
	p.says(`[role="dialog"]`, "everything else stays, the load too")
	pulley := `[...document.querySelectorAll('[role="dialog"] label')].find(l => l.innerText.trim() === 'Pulley').querySelector('input').checked`
	if read[bool](p, pulley) {
		t.Error("what is locked on its dial is free in the search")
	}
	for _, name := range []string{"Handle and strap", "Turned to the left", "Elbow bend", "Arm rotation"} {
		tick := `[...document.querySelectorAll('[role="dialog"] label')].find(l => l.innerText.trim() === ` + quoted(name) + `)`
		free := read[bool](p, tick+`.querySelector('input').checked`)
		x, y := p.middle(tick)
		p.do(chromedp.MouseClickXY(x, y))
		p.until(name+" is ticked the other way", `!!`+tick+`.querySelector('input').checked !== `+fmt.Sprint(free))
	}
	p.press("Find better settings")
	p.until("answers", `document.querySelectorAll('li.answer').length >= 2`)
	told := read[string](p, `document.querySelectorAll('li.answer')[1].innerText`)
	if strings.Contains(told, "Pulley") || strings.Contains(told, "strap") || !strings.Contains(told, "instead of") {
		t.Errorf("the second answer turns what is locked, or nothing: %s", told)
	}
	scored := read[float64](p, `Number(document.querySelectorAll('li.answer [data-score]')[1].dataset.score)`)
	p.press("Use this: answer 2")
	p.until("the dialog is closed", `!document.querySelector('[role="dialog"]')`)
	p.untilScore(scored)
	p.says(saveState, "not saved")
	if p.dial("pulley.height/0") != hole || (p.dial("stance.out") == out && p.dial("path.plane") == plane) {
		t.Errorf("hole %v, %v cm out, plane %v", p.dial("pulley.height/0"), p.dial("stance.out"), p.dial("path.plane"))
	}
	p.press("Undo")
	p.untilDial("path.plane", plane)
	p.untilDial("stance.out", out)
	if now := p.on(prog); len(now) != len(before) {
		t.Errorf("undone it is %v", now)
	}
	// A step of the list is taken, and taken back.
	p.until("steps", `document.querySelectorAll('[data-step]').length >= 5`)
	p.act(`document.querySelector('[data-step="stance.out"] button')?.click() ?? [...document.querySelectorAll('button')].find(b => b.innerText.startsWith('All ')).click()`)
	p.until("the step", `document.querySelector('[data-step="stance.out"] button')`)
	if p.dial("stance.out") == out {
		p.act(`document.querySelector('[data-step="stance.out"] button').click()`)
	}
	p.until("a step", fmt.Sprintf(`document.querySelector('[data-dial="stance.out"] input').value !== %s`, quoted(fmt.Sprint(out))))
	p.press("Undo")
	p.untilDial("stance.out", out)
	// On the map the arrow keys go from pair to pair, and Enter sets both. Nothing else has the focus to go back to: the driver sends a
	// key's character apart from its stroke, which would press it.
	p.act(`document.activeElement.blur()`)
	p.key("d")
	p.press("Map")
	p.until("the map", `document.querySelector('svg.map')`)
	p.act(`document.querySelector('svg.map').focus()`)
	p.key(kb.ArrowRight)
	p.key(kb.ArrowUp)
	p.says(`[role="dialog"] p`, "Pulley hole 10, Distance from the pulley 75 cm: score")
	p.key("\r")
	p.untilDial("pulley.height/0", hole+1)
	p.untilDial("stance.out", out+5)
	p.press("Undo")
	p.untilDial("pulley.height/0", hole)
	p.untilDial("stance.out", out)
	p.key("d")
	p.press("Find better settings")
	p.press("Stop")
	p.until("it can be started again", `[...document.querySelectorAll('[role="dialog"] button')].some(b => b.innerText === 'Find better settings')`)
	p.do(chromedp.Sleep(15e8))
	if n := read[int](p, `document.querySelectorAll('li.answer').length`); n != 0 {
		t.Errorf("a stopped search gave %d answers", n)
	}
}

// untilScore waits until the setup's own score is the one that was told.
func (p *page) untilScore(told float64) {
	p.t.Helper()
	p.until(fmt.Sprintf("a score of %.0f", told),
		fmt.Sprintf(`[...document.querySelectorAll('dl > div')].find(d => d.innerText.startsWith('Score'))?.querySelector('dd').innerText === '%.0f'`, told))
}

// A point of the front is taken with one press, scores what it said, and is undone; an aim and a limit on changes are kept to.
func TestFrontAndAims(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.ready("raise.behind.knee"))
	p.until("the dials", `document.querySelector('[data-dial]')`)
	plane := p.dial("path.plane")
	p.press("Dial in")
	p.act(`document.querySelectorAll('[role="dialog"] details').forEach(d => { d.open = true })`)
	p.press("Add an aim")
	p.fill("Value, °", "35")
	p.press("Find better settings")
	p.until("answers", `document.querySelectorAll('li.answer').length >= 2`)
	if told := read[string](p, `document.querySelector('li.answer').innerText`); !strings.Contains(told, ", was ") ||
		!strings.Contains(told, "step off") {
		t.Errorf("the first answer says %q", told)
	}
	p.press("Remove aim 1")
	p.press("Find better settings")
	p.until("the front", `document.querySelectorAll('section[aria-label^="Fit against"] .plot button').length >= 2`)
	point := `document.querySelector('section[aria-label^="Fit against"] .plot button:last-of-type')`
	label := read[string](p, point+`.getAttribute('aria-label')`)
	var scored float64
	if _, err := fmt.Sscanf(label, "Use this: Score %f:", &scored); err != nil {
		t.Fatalf("%q: %v", label, err)
	}
	p.act(point + `.click()`)
	p.until("the dialog is closed", `!document.querySelector('[role="dialog"]')`)
	p.untilScore(scored)
	p.press("Undo")
	p.untilDial("path.plane", plane)
}
