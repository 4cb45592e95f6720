package e2e

import (
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"math"
	"net/http"
	"path"
	"strconv"
	"testing"

	"github.com/chromedp/chromedp"
)

// open walks from the front page to a setup of a lifter.
func open(t *testing.T, prog *program, lifter, setup string) *page {
	t.Helper()
	p := openPage(t, prog.url("/lifters"))
	p.press(lifter)
	p.press(setup)
	p.until("the verdicts", `document.querySelector('[data-verdict="stability"]')`)
	return p
}

func verdict(key string) string { return `[data-verdict="` + key + `"]` }

// The bench says that a pull tips the lifter and how to stand instead; a click does it, and undo takes it back.
func TestBracingIsMended(t *testing.T) {
	p := open(t, startProgram(t), "Ilvane Torsk", "Cross-behind cable lateral raise, knee height")
	p.says(verdict("stability"), "Stable throughout")
	p.typeInto("load.stack/0", "75")
	p.untilDial("load.stack/0", 75)
	p.says(verdict("stability"), "tips back")
	p.press("Top")
	p.until("base and pressure", `document.querySelectorAll('[data-contact]').length > 0`)
	p.until("what would hold", `document.querySelector('[data-verdict="stability"] button')`)
	p.press(read[string](p, `document.querySelector('[data-verdict="stability"] button').innerText`))
	p.says(verdict("stability"), "Stable")
	p.key("z", chromedp.ModifierCtrl)
	p.says(verdict("stability"), "tips back")
	p.says(verdict("start"), "Picking up and returning")
	p.act(`document.querySelector('[data-verdict="start"] summary').click()`)
	p.says(verdict("start"), "right hand")
	p.typeInto("stance.out", "70") // nearer, the cable comes past the trunk
	p.until("where it rubs", `document.querySelector('[data-rub="touches"]')`)
	p.typeInto("stance.out", "50") // nearer still, it would be bent round it
	p.until("where it bends", `document.querySelector('[data-rub="bends"]')`)
}

// A caution that was seen stays marked after saving and loading; its number can be set against a limit of the lifter's own, and
// resting the chest on a bench mends it.
func TestCautionsAndLimits(t *testing.T) {
	p := open(t, startProgram(t), "Ilvane Torsk", "Barbell bent-over row")
	p.typeInto("load.mass/0", "110")
	p.says(`[data-caution="low-back"]`, "Support the chest")
	p.press("Seen: low-back")
	p.says(`[data-caution="low-back"]`, "Seen:")
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "version 2")
	p.until("no draft is left to warn of", `!Object.keys(localStorage).some(k => k.startsWith('dialarc.draft.'))`)
	p.reload()
	p.says(`[data-caution="low-back"]`, "Seen:")
	p.says(verdict("jointLoad"), "low back has to hold")
	limit := `document.querySelector('input[aria-label="Limit: Low back"]')`
	p.until("the limit", limit)
	p.act(`(e => { e.focus(); e.select(); })(` + limit + `)`)
	p.key("900\r")
	p.until("no word about the low back", `!document.querySelector('[data-verdict="jointLoad"]').innerText.includes("low back")`)
	p.until("no caution either", `!document.querySelector('[data-caution="low-back"]')`)
}

// The feet, the free hand and what catches the bar are chosen on the page, and what follows from each is said there.
func TestFeetHandAndCatch(t *testing.T) {
	prog := startProgram(t)
	p := open(t, prog, "Ilvane Torsk", "Barbell bent-over row")
	p.choose("Feet", "Split, left foot ahead")
	p.until("the dial of how far", `document.querySelector('[data-dial="feet.stagger"]')`)
	block := `[...document.querySelectorAll('label')].find(l => l.innerText.trim() === 'Riser under the feet')`
	p.until("the tick", block)
	x, y := p.middle(block)
	p.do(chromedp.MouseClickXY(x, y))
	p.until("the dial of how high", `document.querySelector('[data-dial="riser"]')`)
	p.key("z", chromedp.ModifierCtrl)
	p.until("the block is gone", `!document.querySelector('[data-dial="riser"]')`)
	p.press("Right")
	p.choose("Free hand", "On the thigh")
	p.until("the hand lies there", `!document.querySelector('[role="alert"]')`)
	p.choose("Free hand", "Holding on to something")
	p.until("the dials of where", `document.querySelector('[data-dial="hand.height"]')`)
}

// The page shows what the server computes, also of what crosses as bare numbers; other places on the arm are compared on
// demand.
func TestJointsOnThePage(t *testing.T) {
	prog := startProgram(t)
	p := openRaise(t, prog)
	want := surfaces(t, prog, path.Base(read[string](p, "location.pathname")))
	shown := read[string](p, `[...document.querySelectorAll('table tr')].find((r) => r.cells[0].innerText === "shoulder").cells[4].innerText`)
	got, err := strconv.ParseFloat(shown, 64)
	if err != nil || math.Abs(got-want) > 0.051 {
		t.Errorf("the page shows %q, the server computes %.2f body weights", shown, want)
	}
	p.press("Attach it elsewhere on the arm?")
	p.says(`[aria-label="Attached elsewhere on the arm, at the same peak torque"]`, "just above the elbow")
	p.says(`[aria-label="Attached elsewhere on the arm, at the same peak torque"]`, "× 1.00")
}

// surfaces is the force between the shoulder's surfaces in the middle of the range, in weights of the lifter, by the server.
func surfaces(t *testing.T, prog *program, id string) float64 {
	t.Helper()
	var stored struct{ Document json.RawMessage }
	fetch(t, "GET", prog.url("/api/setups/"+id), nil, &stored)
	var d struct{ Lifter struct{ BodyMass float64 } }
	if err := json.Unmarshal(stored.Document, &d); err != nil {
		t.Fatal(err)
	}
	var report struct{ Muscles struct{ Shoulder []float64 } }
	fetch(t, "POST", prog.url("/api/evaluate"), stored.Document, &report)
	return report.Muscles.Shoulder[len(report.Muscles.Shoulder)/2] / (d.Lifter.BodyMass * 9.80665)
}

func fetch(t *testing.T, method, url string, body []byte, into any) {
	t.Helper()
	req, err := http.NewRequest(method, url, bytes.NewReader(body))
	if err != nil {
		t.Fatal(err)
	}
	req.Header.Set("Content-Type", "application/json")
	answer, err := http.DefaultClient.Do(req)
	if err != nil {
		t.Fatal(err)
	}
	defer answer.Body.Close()
	raw, err := io.ReadAll(answer.Body)
	if err == nil {
		err = json.Unmarshal(raw, into)
	}
	if err != nil || answer.StatusCode >= 300 {
		t.Fatal(fmt.Errorf("%s %s: %d %v: %.300s", method, url, answer.StatusCode, err, raw))
	}
}
