package e2e

import (
	"strings"
	"testing"
)

// On a laptop the headline, all seven verdicts and the profile are seen without scrolling; one press tells what a verdict says; everything
// else is a line that says what is inside, opens, and stays open.
func TestSetupAtAGlance(t *testing.T) {
	prog := startProgram(t)
	p := openFolded(t, prog.url("/"))
	p.open(prog.ready("raise.behind.hand"))
	p.until("painted", `document.querySelector('[data-fresh="true"]')`)
	p.until("the profile in sight", `document.querySelector('.arc svg[role="img"]').getBoundingClientRect().bottom < innerHeight`)
	p.until("the best value of a dial is said",
		`document.querySelector('[data-dial="pulley.height/0"] input[type="range"]').getAttribute('aria-description')?.startsWith('Best alone: hole')`)
	strip := `[...document.querySelectorAll('section[aria-label="How the verdicts stand"] ul button')].map(b => b.getAttribute('aria-label') ?? b.innerText)`
	all := strings.Join(read[[]string](p, strip), "; ")
	for _, name := range []string{"Line of pull", "Profile", "Stability", "Start tension", "Clearance", "Joint load", "Muscles"} {
		if !strings.Contains(all, name+": ") {
			t.Errorf("the strip lacks %s: %s", name, all)
		}
	}
	p.act(`[...document.querySelectorAll('section[aria-label="How the verdicts stand"] button')].find(b => b.innerText === 'Joint load').click()`)
	p.says(`.told`, "Joint load.")
	p.until("what matters most", `document.querySelector('[data-part="One step of each setting"] small').innerText !== ""`)
	lines := `[...document.querySelectorAll('[data-part]')].map(e => e.dataset.part + '|' + e.querySelector('small').innerText)`
	for _, line := range read[[]string](p, lines) {
		if name, says, _ := strings.Cut(line, "|"); says == "" {
			t.Errorf("%s does not say what is inside", name)
		}
	}
	if read[bool](p, `!!document.querySelector('[data-testid="prescribe"]')`) {
		t.Error("what is folded is drawn")
	}
	p.press("Load and reps")
	p.says(`[data-testid="prescribe"]`, "8 reps")
	p.says(`[data-testid="pins"]`, "pin, now")
	p.reload()
	p.says(`[data-testid="pins"]`, "pin, lightest")
}
