package e2e

import (
	"bytes"
	"encoding/json"
	"fmt"
	"math"
	"net/http"
	"strings"
	"testing"

	"github.com/chromedp/cdproto/input"
	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// ready saves a ready setup for a lifter of usual size and returns where its bench is.
func (p *program) ready(key string) string {
	p.t.Helper()
	return p.readyAs(key, "")
}

func (p *program) call(method, path string, body, out any) {
	p.t.Helper()
	raw, err := json.Marshal(body)
	if err != nil {
		p.t.Fatal(err)
	}
	req, err := http.NewRequest(method, p.url(path), bytes.NewReader(raw))
	if err != nil {
		p.t.Fatal(err)
	}
	req.Header.Set("Content-Type", "application/json")
	resp, err := http.DefaultClient.Do(req)
	if err != nil {
		p.t.Fatal(err)
	}
	defer resp.Body.Close()
	if resp.StatusCode >= 300 {
		p.t.Fatalf("%s %s: %s", method, path, resp.Status)
	}
	if err := json.NewDecoder(resp.Body).Decode(out); err != nil {
		p.t.Fatal(err)
	}
}

// open goes to an address and waits until dials are there.
func (p *page) open(url string) {
	p.t.Helper()
	p.visit(url)
	p.until("the dials", `document.querySelector('[data-dial]')`)
}

// Every kind of handle turns its dial the way in which the hand went, in a view that shows it. What a handle moves is
// where it is seen to be: directions follow from the views alone.
func TestEveryHandle(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/"))
	there := ""
	for _, c := range []struct {
		ready, view, handle string
		dx, dy              float64
		dial                string
		up                  bool
	}{
		{"raise.behind.hand", "3", "heading", -60, 0, "heading", true}, // from above forward is up: to the left
		{"raise.behind.hand", "3", "stance", 0, -40, "stance.out", true},
		{"raise.behind.hand", "2", "strap", 40, 14, "strap/0", true},          // towards the pulley
		{"raise.behind.hand", "3", "pulley", 40, 0, "columns.apart/0", false}, // the left column, inward
		{"press.bench.60", "1", "notch", 50, -10, "bench.angle", true},        // the head end upright and forward
		{"press.bench.60", "1", "bench", 0, -30, "bench.height", true},
		{"press.bench.60", "2", "swivel", -30, -10, "guide.swivel", true}, // the right elbow outward
		{"press.bench.60", "1", "guide.start", 0, -30, "guide.startY", true},
		{"press.bench.60", "1", "guide.end", 30, 0, "guide.endX", true},
		{"lever.far", "1", "seat", 0, -30, "seat.height", true},
		{"lever.far", "1", "lean", 60, 10, "trunk.lean", true},
		{"curl.behind", "2", "stance", 40, 0, "stance.aside", false}, // facing the lifter, to their left
		{"curl.behind", "1", "pulley", 0, -40, "pulley.height/0", true},
		{"curl.behind", "1", "pulley", -60, 0, "pulley.out/0", false},
		{"fly.band.one", "1", "anchor", 0, -40, "band.height/0", true},
		{"raise.lying.upper", "2", "cuff", 0, 0, "cuff/0", true}, // towards the needle, which is beyond the hand
	} {
		t.Run(c.ready+" "+c.handle+" "+c.dial, func(t *testing.T) {
			p := &page{t, p.ctx}
			if there != c.ready {
				p.open(prog.ready(c.ready))
			}
			there = c.ready
			p.key(c.view)
			p.until("the handle", handle(c.handle))
			before := p.dial(c.dial)
			if c.dx == 0 && c.dy == 0 {
				x0, y0 := p.middle(handle(c.handle))
				x1, y1 := p.middle(handle("needle"))
				far := math.Hypot(x1-x0, y1-y0)
				c.dx, c.dy = 40*(x1-x0)/far, 40*(y1-y0)/far
			}
			p.drag(handle(c.handle), c.dx, c.dy, 8)
			now := p.dial(c.dial)
			if now == before || (now > before) != c.up {
				t.Errorf("dragged by (%v, %v), %s went from %v to %v", c.dx, c.dy, c.dial, before, now)
			}
			p.press("Undo")
			p.untilDial(c.dial, before)
		})
	}
}

// Escape takes a drag back as if it had not been, with what could be redone; its value is shown while it lasts.
func TestEscapeCancelsADrag(t *testing.T) {
	p := openRaise(t, startProgram(t))
	hole := p.dial("pulley.height/0")
	p.key(".")
	p.untilDial("stance.out", 75)
	p.press("Undo")
	p.untilDial("stance.out", 70)
	x, y := p.middle(handle("pulley"))
	held := func(e *input.DispatchMouseEventParams) { e.Buttons = 1 }
	p.do(chromedp.MouseEvent(chromedp.MouseMoved, x, y), chromedp.MouseEvent(chromedp.MousePressed, x, y, chromedp.ButtonLeft,
		chromedp.ClickCount(1)),
		chromedp.MouseEvent(chromedp.MouseMoved, x, y+50, chromedp.ButtonLeft, held))
	p.until("the pulley moves", fmt.Sprintf(`Number(document.querySelector('[data-dial="pulley.height/0"] input').value) < %v`, hole))
	p.until("its value is shown", `document.querySelector('[data-reading="pulley"]')?.textContent.includes("Pulley, hole")`)
	p.key(kb.Escape)
	p.untilDial("pulley.height/0", hole)
	p.do(chromedp.MouseEvent(chromedp.MouseMoved, x, y+80, chromedp.ButtonLeft, held), chromedp.MouseEvent(chromedp.MouseReleased, x, y+80,
		chromedp.ButtonLeft, chromedp.ClickCount(1)))
	p.untilDial("pulley.height/0", hole)
	p.press("Redo")
	p.untilDial("stance.out", 75)
}

// What can be dragged has a key, with Shift for the other way.
func TestKeysForWhatIsDragged(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/"))
	there := ""
	for _, c := range []struct {
		ready, key, dial string
		step             float64
	}{
		{"raise.behind.hand", "h", "heading", 15}, {"raise.behind.hand", "w", "path.plane", 5},
		{"raise.behind.hand", "e", "range.to", 5}, {"raise.behind.hand", "c", "strap/0", 5}, {"raise.behind.hand", "a", "columns.apart/0", 5},
		{"raise.leaning", "r", "range.from", 5}, {"press.bench.60", "b", "bench.angle", 5}, {"press.bench.60", "s", "bench.height", 5},
		{"lever.far", "s", "seat.height", 5}, {"lever.far", "l", "trunk.lean", 5},
	} {
		if there != c.ready {
			p.open(prog.ready(c.ready))
		}
		there = c.ready
		before := p.dial(c.dial)
		p.key(c.key)
		p.untilDial(c.dial, before+c.step)
		p.key(strings.ToUpper(c.key), chromedp.ModifierShift)
		p.untilDial(c.dial, before)
	}
}

// A finger drags as a mouse does, and does not scroll the page.
func TestTouch(t *testing.T) {
	p := openRaise(t, startProgram(t))
	hole := p.dial("pulley.height/0")
	x, y := p.middle(handle("pulley"))
	touch := func(kind input.DispatchTouchEventType, points ...*input.TouchPoint) {
		t.Helper()
		if _, err := chromedp.Call(p.ctx, input.DispatchTouchEvent, input.DispatchTouchEventParams{Type: kind,
			TouchPoints: append([]*input.TouchPoint{}, points...)}); err != nil {
			t.Fatal(err)
		}
	}
	touch(input.DispatchTouchEventTypeTouchStart, &input.TouchPoint{X: x, Y: y})
	for i := 1; i <= 6; i++ {
		touch(input.DispatchTouchEventTypeTouchMove, &input.TouchPoint{X: x, Y: y + 10*float64(i)})
	}
	touch(input.DispatchTouchEventTypeTouchEnd)
	p.until("the pulley went down", fmt.Sprintf(`Number(document.querySelector('[data-dial="pulley.height/0"] input').value) < %v`, hole-1))
	p.press("Undo")
	p.untilDial("pulley.height/0", hole)
}

// A path is set pose by pose: taken down from a sweep, a pose turned, one put between, moved, refused and dropped, all of it undone.
func TestPosesOfAPath(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/"))
	p.open(prog.ready("raise.dumbbell"))
	p.until("painted", `document.querySelector('[data-fresh="true"]')`)
	p.press("Set the path pose by pose")
	poses := `document.querySelectorAll('[role="radiogroup"][aria-label="Poses of the path"] button').length`
	p.until("seven poses", poses+" === 7")
	p.press("Pose 4, at 50% of the path")
	p.until("the picture goes there", `[...document.querySelectorAll('[role="radio"]')].find(b => b.innerText === '4').getAttribute('aria-checked') === 'true'`)
	p.fill("Arm raise angle, °", "40")
	keyframe := func(i int) map[string]any {
		return p.on(prog)["movement"].(map[string]any)["keyframes"].([]any)[i].(map[string]any)
	}
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "version 2")
	if pose := keyframe(3)["pose"].(map[string]any); pose["shoulder.elevationDeg"] != 40.0 {
		t.Errorf("the pose is %v", pose)
	}
	p.press("Add a pose")
	p.until("eight poses", poses+" === 8")
	p.fill("Place on the path, %", "95")
	p.says(`[role="alert"]`, "between its neighbours")
	p.fill("Place on the path, %", "55")
	p.press("Remove this pose")
	p.until("seven again", poses+" === 7")
	for range 4 {
		p.press("Undo")
	}
	p.until("as it was", poses+" === 7")
}

// The arm of a pose is led in the picture by its hand and by its elbow, in the plane of the view; what is led stays in that pose.
func TestArmIsLedInThePicture(t *testing.T) {
	p := openRaise(t, startProgram(t))
	p.press("Set the path pose by pose")
	p.press("Pose 3, at 30% of the path")
	for _, by := range []string{"hand", "elbow"} {
		grip := handle("pose." + by)
		p.until("the "+by, grip)
		x, y := p.middle(grip)
		p.drag(grip, 30, -25, 6)
		p.until("the "+by+" follows", fmt.Sprintf(`(() => { const b = document.querySelector('[data-handle="pose.%s"]')?.getBoundingClientRect();
			return b && Math.hypot(b.x + b.width / 2 - %f, b.y + b.height / 2 - %f) > 15 })()`, by, x, y))
	}
	p.press("Undo")
	p.press("Undo")
	p.press("Pose 4, at 50% of the path")
	p.until("the handles of another pose", handle("pose.hand"))
}
