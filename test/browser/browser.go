// Package browser starts Debian's headless Chromium for the journeys and the screenshots.
package browser

import (
	"context"
	"os"
	"sync"
	"time"

	"github.com/chromedp/chromedp"
)

// Pool keeps browsers for the next page: starting one takes as long as opening a page does. A browser has one page at a time, so that
// no page takes the keyboard from another. The zero value is ready; it may be used from many goroutines.
type Pool struct {
	mu   sync.Mutex
	idle []*running
}

// running is a browser without a page.
type running struct {
	ctx  context.Context
	stop func()
}

// Page is an empty page in a profile of its own, closed off from everything but this machine. The context ends after the limit. The
// returned function closes the page; a browser that is not fit for another page is ended with it.
func (p *Pool) Page(limit time.Duration) (page context.Context, release func(fit bool), err error) {
	b, err := p.take()
	if err != nil {
		return nil, nil, err
	}
	ctx, stopTimer := context.WithTimeout(b.ctx, limit)
	page, closePage := chromedp.NewContext(ctx, chromedp.WithNewBrowserContext())
	return page, func(fit bool) {
		closePage()
		stopTimer()
		if !fit {
			b.stop()
			return
		}
		p.mu.Lock()
		defer p.mu.Unlock()
		p.idle = append(p.idle, b)
	}, nil
}

// take is an idle browser, or a new one.
func (p *Pool) take() (*running, error) {
	p.mu.Lock()
	if n := len(p.idle); n > 0 {
		b := p.idle[n-1]
		p.idle = p.idle[:n-1]
		p.mu.Unlock()
		return b, nil
	}
	p.mu.Unlock()
	allocated, stopAllocator := chromedp.NewExecAllocator(context.Background(), options()...)
	ctx, stopTab := chromedp.NewContext(allocated)
	b := &running{ctx, func() { stopTab(); stopAllocator() }}
	if err := chromedp.Do(ctx); err != nil {
		b.stop()
		return nil, err
	}
	return b, nil
}

// Close ends the browsers that have no page.
func (p *Pool) Close() {
	p.mu.Lock()
	defer p.mu.Unlock()
	for _, b := range p.idle {
		b.stop()
	}
	p.idle = nil
}

// suggestions are what fills the list under the address bar, with chromedp's own kept off as well: every window renders the two pages of it
// ahead, unseen, for as much of the processor as opening a page of the program takes.
const suggestions = "WebUIOmniboxPopup,WebUIOmniboxAimPopup,WebUIOmniboxFullPopup"

func options() []chromedp.ExecAllocatorOption {
	return append(chromedp.DefaultExecAllocatorOptions[:],
		chromedp.Flag("no-sandbox", os.Geteuid() == 0),
		chromedp.Flag("disable-gpu", true),
		chromedp.Flag("disable-quic", true),
		chromedp.Flag("disable-component-update", true),
		chromedp.Flag("disable-features", "Translate,BlinkGenPropertyTrees,"+suggestions),
		chromedp.Flag("disable-background-networking", true),
		chromedp.Flag("disable-dev-shm-usage", true),
		chromedp.Flag("force-color-profile", "srgb"),
		chromedp.Flag("force-prefers-reduced-motion", true),           // a picture that moves by itself takes a processor, and no two shots are alike
		chromedp.Flag("js-flags", "--wasm-tiering-budget=2000000000"), // a page lives for seconds: only what runs most is made fast
		chromedp.Flag("host-resolver-rules", "MAP * ~NOTFOUND, EXCLUDE 127.0.0.1"),
		chromedp.ExecPath("/usr/bin/chromium"),
	)
}
