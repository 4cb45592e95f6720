package e2e

import (
	"testing"

	"github.com/chromedp/chromedp"
)

// kept says whether the browser keeps the page and what was read for it.
const kept = `(async () => navigator.serviceWorker.controller && (await caches.match('/', { cacheName: 'page' })) &&
	(await caches.match(location.pathname.replace('/bench/', '/api/setups/'), { cacheName: 'read' })))()`

// Without the server what this browser has seen opens, is changed and saved; the save waits, also when its screen is left, and is sent
// from another one as soon as the server is back.
func TestWithoutTheServer(t *testing.T) {
	prog := startProgram(t)
	p := openKept(t, prog.url("/lifters"))
	p.toRaise()
	p.until("the worker", `navigator.serviceWorker.controller`)
	p.reload() // the first visit came before the worker
	p.until("it is kept", kept)
	prog.stop()
	p.reload()
	p.until("the picture", handle("pulley"))
	p.key(".")
	p.untilDial("stance.out", 75)
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "waiting for the server")
	p.press("Lifters")
	p.until("it was left", `location.pathname.startsWith('/lifters')`)
	prog.start()
	p.says("body", "was saved: the server is back")
	p.until("no draft is left", `!Object.keys(localStorage).some(k => k.startsWith('dialarc.draft.'))`)
	p.do(chromedp.NavigateBack())
	p.says(saveState, "version 2")
	p.untilDial("stance.out", 75)
}
