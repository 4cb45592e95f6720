package e2e

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"testing"
	"time"

	"github.com/chromedp/cdproto/cdp"
	"github.com/chromedp/cdproto/css"
	"github.com/chromedp/cdproto/input"
	"github.com/chromedp/cdproto/log"
	"github.com/chromedp/cdproto/network"
	cdppage "github.com/chromedp/cdproto/page"
	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// page is a tab with the words of the journeys.
type page struct {
	t   *testing.T
	ctx context.Context
}

// openPage opens a page on which everything that folds stands open, so that a journey can read it.
func openPage(t *testing.T, url string) *page {
	t.Helper()
	return openFirst(t, url, withoutKeeper+unfolded)
}

// openFolded opens a page as it is at first.
func openFolded(t *testing.T, url string) *page {
	t.Helper()
	return openFirst(t, url, withoutKeeper)
}

// openKept opens a page that keeps itself for when the server is away, with everything that folds open.
func openKept(t *testing.T, url string) *page {
	t.Helper()
	return openFirst(t, url, unfolded)
}

// withoutKeeper is a browser without service workers: what only fills caches for later takes a tenth of a journey's time.
const withoutKeeper = `delete Navigator.prototype.serviceWorker; `

const unfolded = `try { localStorage.getItem('dialarc.open') ?? localStorage.setItem('dialarc.open', '{"every":true}') } catch {}`

// openFirst opens a page after a script has run in it.
func openFirst(t *testing.T, url, script string) *page {
	t.Helper()
	ctx, release, err := browsers.Page(6 * time.Minute)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { release(!t.Failed()) })
	p := &page{t, ctx}
	p.answerQuestions()
	p.quiet()
	p.do(chromedp.EmulateViewport(1280, 800))
	if _, err := chromedp.Call(p.ctx, cdppage.AddScriptToEvaluateOnNewDocument,
		cdppage.AddScriptToEvaluateOnNewDocumentParams{Source: script}); err != nil {
		t.Fatal(err)
	}
	p.load(url)
	return p
}

// answerQuestions lets the tab go on when the browser asks whether to leave a page, which would hold it up for good, and
// counts the question against the page: no journey leaves one while it is saving.
func (p *page) answerQuestions() {
	questions := chromedp.Events(p.ctx, cdppage.JavascriptDialogOpening)
	go func() {
		for q, err := range questions {
			if err != nil {
				return // the tab is closed
			}
			p.t.Errorf("the browser asked a question (%s): %s", q.Type, q.Message)
			if _, err := chromedp.Call(p.ctx, cdppage.HandleJavaScriptDialog, cdppage.HandleJavaScriptDialogParams{Accept: true}); err != nil {
				return
			}
		}
	}()
}

// quiet ends the reports on style sheets, requests and messages that the driver asks every page for and no journey reads.
func (p *page) quiet() {
	p.t.Helper()
	for _, end := range []cdp.Command[cdp.Empty, cdp.Empty]{css.Disable, network.Disable, log.Disable} {
		if _, err := chromedp.Call(p.ctx, end, cdp.Empty{}); err != nil {
			p.t.Fatal(err)
		}
	}
}

func (p *page) do(steps ...chromedp.Action[chromedp.Void]) {
	p.t.Helper()
	if err := chromedp.Do(p.ctx, steps...); err != nil {
		p.t.Fatal(err)
	}
}

// patience is how long a journey waits for what the page is about to do.
const patience = 40 * time.Second

// read evaluates an expression in the page. While what it speaks of is not there yet the expression throws, having done nothing, and
// is tried again.
func read[T any](p *page, expression string, options ...chromedp.EvaluateOption) T {
	p.t.Helper()
	for deadline := time.Now().Add(patience); ; time.Sleep(50 * time.Millisecond) {
		v, err := chromedp.Run(p.ctx, chromedp.Evaluate[T](expression, options...))
		if err == nil {
			return v
		}
		if thrown := (*chromedp.ExceptionError)(nil); !errors.As(err, &thrown) || time.Now().After(deadline) {
			p.t.Fatalf("%s: %v", expression, err)
		}
	}
}

// act runs an expression for what it does, once what it speaks of is there.
func (p *page) act(expression string) {
	p.t.Helper()
	read[bool](p, "("+expression+", true)")
}

// until waits for an expression, or for what a promise comes to, to become true. The page looks by itself: asking it anew each time costs
// more than what it is asked.
func (p *page) until(what, expression string) {
	p.t.Helper()
	watch := fmt.Sprintf(`new Promise(done => {
		const end = performance.now() + 1000;
		const look = async () => {
			let met = false;
			try { met = !!(await (%s)) } catch {}
			if (met || performance.now() > end) done(met); else setTimeout(look, 50);
		};
		look();
	})`, expression)
	for deadline := time.Now().Add(patience); time.Now().Before(deadline); {
		met, err := chromedp.Run(p.ctx, chromedp.Evaluate[bool](watch, chromedp.EvalAwaitPromise))
		if met {
			return
		}
		if err != nil { // another page took the place of the one that was to answer
			if p.ctx.Err() != nil {
				p.t.Fatalf("%s: %v", what, err)
			}
			time.Sleep(50 * time.Millisecond)
		}
	}
	p.t.Fatalf("%s did not happen; the page says: %.1500s", what, read[string](p, "document.body.innerText"))
}

// load opens an address anew, as who types it does.
func (p *page) load(url string) {
	p.t.Helper()
	p.do(chromedp.Navigate(url))
}

// visit goes to another view as the page's own links do, which spares loading all of it again, and waits until the last one is gone.
func (p *page) visit(url string) {
	p.t.Helper()
	p.until("a view", `document.querySelector('main')?.firstElementChild`)
	p.act(`(window.left = document.querySelector('main').firstElementChild, history.pushState(null, '', ` + quoted(url) + `),
		dispatchEvent(new PopStateEvent('popstate')))`)
	p.until("another view", `!window.left.isConnected`)
}

func (p *page) reload() {
	p.t.Helper()
	p.do(chromedp.Reload())
}

func quoted(s string) string {
	raw, _ := json.Marshal(s)
	return string(raw)
}

// says waits for a text in the element that a selector finds.
func (p *page) says(selector, text string) {
	p.t.Helper()
	p.until(fmt.Sprintf("%q in %s", text, selector), fmt.Sprintf("[...document.querySelectorAll(%s)].some(e => e.innerText.includes(%s))",
		quoted(selector), quoted(text)))
}

// press clicks the button or link whose name is given.
func (p *page) press(name string) {
	p.t.Helper()
	find := fmt.Sprintf("[...document.querySelectorAll('button, a')].find(e => (e.getAttribute('aria-label') ?? e.innerText.split('\\n')[0].trim()) === %s && !e.disabled)", quoted(name))
	p.until("a button "+name, find)
	x, y := p.middle(find)
	p.do(chromedp.MouseClickXY(x, y))
}

// onScreen is a promise that what was asked for so far is on the screen.
const onScreen = "new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))"

// middle is where an element's middle is on the screen, once it stays there from one frame to the next: lists and dialogs grow as they
// open, and a page that has much to do draws late.
func (p *page) middle(element string) (x, y float64) {
	p.t.Helper()
	find := "(() => { const e = " + element +
		"; e.scrollIntoView({block: 'nearest'}); const b = e.getBoundingClientRect(); return [b.x + b.width / 2, b.y + b.height / 2]; })()"
	at := read[[]float64](p, find)
	for deadline := time.Now().Add(patience); time.Now().Before(deadline); {
		again := read[[]float64](p, onScreen+".then(() => "+find+")", chromedp.EvalAwaitPromise)
		if slices.Equal(at, again) {
			break
		}
		at = again
	}
	return at[0], at[1]
}

// pick takes an action of the menu that is open.
func (p *page) pick(action string) {
	p.t.Helper()
	find := fmt.Sprintf(`[...document.querySelectorAll('[role="menuitem"]')].find(e => e.innerText.trim() === %s)`, quoted(action))
	p.until("the action "+action, find)
	x, y := p.middle(find)
	p.do(chromedp.MouseClickXY(x, y))
}

// fillNamed types into the field that has a name but no label of its own.
func (p *page) fillNamed(name, text string) {
	p.t.Helper()
	p.act("(e => { e.scrollIntoView({block: 'nearest'}); e.focus(); e.select(); })(document.querySelector(" +
		quoted(`input[aria-label="`+name+`"]`) + "))")
	p.key(text + kb.Tab)
}

// fill types into the field whose label begins with a text, in the dialog when one is open.
func (p *page) fill(label, text string) {
	p.t.Helper()
	find := fmt.Sprintf(`[...(document.querySelector('[role="dialog"]') ?? document).querySelectorAll('label')].find(l => l.innerText.startsWith(%s) && l.control)?.control`, quoted(label))
	p.until("a field "+label, find)
	p.act("(e => { e.scrollIntoView({block: 'nearest'}); e.focus(); e.select(); })(" + find + ")")
	p.key(text + kb.Tab)
}

// drag moves the mouse from an element by dx, dy pixels in steps.
func (p *page) drag(element string, dx, dy float64, steps int) {
	p.t.Helper()
	x, y := p.middle(element)
	held := func(e *input.DispatchMouseEventParams) { e.Buttons = 1 }
	p.do(chromedp.MouseEvent(chromedp.MouseMoved, x, y), chromedp.MouseEvent(chromedp.MousePressed, x, y, chromedp.ButtonLeft,
		chromedp.ClickCount(1)))
	for i := 1; i <= steps; i++ {
		k := float64(i) / float64(steps)
		p.do(chromedp.MouseEvent(chromedp.MouseMoved, x+dx*k, y+dy*k, chromedp.ButtonLeft, held), chromedp.Sleep(20*time.Millisecond))
	}
	p.do(chromedp.MouseEvent(chromedp.MouseReleased, x+dx, y+dy, chromedp.ButtonLeft, chromedp.ClickCount(1)))
	p.until("the page has caught up with the hand", `!document.querySelector('[aria-busy="true"]')`)
}

func (p *page) key(keys string, modifiers ...chromedp.Modifier) {
	p.t.Helper()
	if len(modifiers) == 0 {
		p.do(chromedp.KeyEvent(keys))
		return
	}
	p.do(chromedp.KeyEvent(keys, chromedp.KeyModifiers(modifiers...)))
}

// handle finds something in the picture that can be dragged: what lies under the mouse is its first circle.
func handle(name string) string {
	return fmt.Sprintf(`document.querySelector('[data-handle="%s"] circle[fill="transparent"]')`, name)
}

// dial is the number in a dial's field.
func (p *page) dial(key string) float64 {
	p.t.Helper()
	text := read[string](p, fmt.Sprintf(`document.querySelector('[data-dial="%s"] input').value`, key))
	v, err := strconv.ParseFloat(text, 64)
	if err != nil {
		p.t.Fatalf("the dial %s shows %q", key, text)
	}
	return v
}

// typeInto replaces the number in a dial's field.
func (p *page) typeInto(key, text string) {
	p.t.Helper()
	p.act(fmt.Sprintf(`(e => { e.focus(); e.select(); })(document.querySelector('[data-dial="%s"] input'))`, key))
	p.key(text + kb.Enter)
}

func (p *page) untilDial(key string, want float64) {
	p.t.Helper()
	p.until(fmt.Sprintf("%s at %v", key, want), fmt.Sprintf(`Number(document.querySelector('[data-dial="%s"] input').value) === %v`, key,
		want))
}

var heaviest = regexp.MustCompile(`Hardest at (\d+)°`)

// peakAngle is where the sentence says the setup is heaviest.
func (p *page) peakAngle() float64 {
	p.t.Helper()
	text := read[string](p, `document.querySelector('[data-verdict="profile"]').innerText`)
	m := heaviest.FindStringSubmatch(text)
	if m == nil {
		p.t.Fatalf("the sentence names no angle: %q", text)
	}
	v, _ := strconv.ParseFloat(m[1], 64)
	return v
}

const saveState = `[data-testid="save-state"]`

// openRaise walks from the front page to the raise on the bench.
func openRaise(t *testing.T, prog *program) *page {
	t.Helper()
	p := openPage(t, prog.url("/lifters"))
	p.toRaise()
	return p
}

// toRaise goes on from the list of lifters.
func (p *page) toRaise() {
	p.t.Helper()
	p.press("Suvi Brandt")
	p.press("Cross-behind cable lateral raise, hand height")
	p.until("the picture", handle("pulley"))
}
