// Package browser starts Debian's headless Chromium for the journeys and the screenshots.
package browser

import (
	"context"
	"os"
	"time"

	"github.com/chromedp/chromedp"
)

// New starts a browser of its own with an empty profile, closed off from everything but this machine. The context ends
// it; so does the returned function.
func New(parent context.Context, limit time.Duration) (context.Context, func()) {
	options := append(chromedp.DefaultExecAllocatorOptions[:],
		chromedp.Flag("no-sandbox", os.Geteuid() == 0),
		chromedp.Flag("disable-gpu", true),
		chromedp.Flag("disable-quic", true),
		chromedp.Flag("disable-component-update", true),
		chromedp.Flag("disable-background-networking", true),
		chromedp.Flag("disable-dev-shm-usage", true),
		chromedp.Flag("force-color-profile", "srgb"),
		chromedp.Flag("js-flags", "--wasm-tiering-budget=100000000"), // a page lives for seconds: making it fast would take longer
		chromedp.Flag("host-resolver-rules", "MAP * ~NOTFOUND, EXCLUDE 127.0.0.1"),
		chromedp.ExecPath("/usr/bin/chromium"),
	)
	ctx, stopTimer := context.WithTimeout(parent, limit)
	ctx, stopAllocator := chromedp.NewExecAllocator(ctx, options...)
	ctx, stopTab := chromedp.NewContext(ctx)
	return ctx, func() { stopTab(); stopAllocator(); stopTimer() }
}
