package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// The pulley is locked on its dial, the strap in the dialog, others freed: the answers leave it where it is; the second one is taken, undone in one step, and a
// search is stopped half way.
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
	for _, name := range []string{"Handle and strap", "To the right", "Elbow bend", "Arm rotation"} {
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
	p.press("Use this: answer 2")
	p.until("the dialog is closed", `!document.querySelector('[role="dialog"]')`)
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
	p.says(`[role="dialog"] p`, "Pulley hole 10, Distance from the pulley 75 cm: fit")
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
