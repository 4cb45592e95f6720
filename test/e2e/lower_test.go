package e2e

import (
	"strings"
	"testing"
)

// begun opens an exercise of the library from the first screen.
func begun(t *testing.T, p *page, text, name, dial string) {
	t.Helper()
	p.press("Home")
	p.until("the field", `document.querySelector('section[aria-label="Start from an exercise"] input')`)
	p.fill("Start from an exercise", text)
	p.press("Open: " + name)
	p.until("the dials of "+name, `document.querySelector('[data-dial="`+dial+`"]')`)
	p.says(verdict("stability"), "Stable")
}

// Exercises of the legs are found by what coaches call them, and turned by what there is to turn: the feet on a sled's plate, their
// distance from the bench, the weight on the front foot. What a leg cannot do is said at its dial, and undone.
func TestLowerBody(t *testing.T) {
	p := openPage(t, startProgram(t).url("/"))
	p.until("the first screen", `document.querySelector('h1')`)
	begun(t, p, "leg press", "Leg press, 45 degrees", "sled.plates/0")
	p.until("the sled", `document.body.innerText.includes("feet on its plate")`)
	was := read[string](p, `document.querySelector('dl').innerText`)
	p.typeInto("sled.feet/0", "2")
	p.untilDial("sled.feet/0", 2)
	p.until("another profile", `document.querySelector('dl').innerText !== `+quoted(was))

	begun(t, p, "hip thrust", "Hip thrust", "feet.out")
	p.says(`[data-caution="hip-bar"]`, "crease of the hips")
	p.drag(handle("feetOut"), -40, 0, 5)
	p.until("the bench is farther away", `parseFloat(document.querySelector('[data-dial="feet.out"] input').value) > 85`)

	begun(t, p, "lunge", "Split squat", "front.share")
	p.press("Left")
	p.until("the left leg leads", `document.querySelector('[aria-label="Working side"] [aria-pressed="true"]')?.innerText === "Left"`)
	p.says(verdict("stability"), "Stable")
	p.until("how far the front foot is ahead", `document.querySelector('[data-dial="feet.stagger"] input')`)
	p.typeInto("feet.stagger", "100")
	p.until("what cannot be", `document.body.innerText.includes("the rear leg is")`)
	p.press("Undo")
	p.until("it is undone", `!document.body.innerText.includes("the rear leg is")`)
}

// Exercises of the trunk are found by their names, tell of one trunk and not of two sides, and know left from right; a hold says how much
// the trunk holds.
func TestTrunk(t *testing.T) {
	p := openPage(t, startProgram(t).url("/"))
	p.until("the first screen", `document.querySelector('h1')`)
	glance := `document.querySelector('[aria-label="At a glance"]').innerText`
	begun(t, p, "ab crunch", "Cable crunch", "pulley.height/0")
	p.until("who works", glance+`.includes("Abdominals")`)
	if text := read[string](p, glance); strings.Contains(text, "each side") {
		t.Errorf("a trunk of two sides: %s", text)
	}
	begun(t, p, "side bend", "Dumbbell side bend", "load.mass/0")
	was := read[string](p, glance)
	p.press("Left")
	p.until("the left side", `document.querySelector('[aria-label="Working side"] [aria-pressed="true"]')?.innerText === "Left"`)
	p.says(verdict("stability"), "Stable")
	if now := read[string](p, glance); now != was {
		t.Errorf("bent to the left: %s, to the right %s", now, was)
	}
	begun(t, p, "suitcase", "Suitcase hold", "load.mass/0")
	p.until("what the trunk holds", `/Static hold\s+[\d.]+ N·m at the trunk/.test(`+glance+`)`)
}
