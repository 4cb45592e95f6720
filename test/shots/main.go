// Command shots takes a picture of one page of a running server: for the pictures in docs/screenshots and for looking
// at a state while working.
package main

import (
	"context"
	"flag"
	"fmt"
	"os"
	"time"

	"dialarc/test/browser"

	"github.com/chromedp/chromedp"
)

func main() {
	url := flag.String("url", "http://127.0.0.1:4380/lifters", "page to open")
	out := flag.String("out", "shot.png", "file to write")
	width := flag.Int64("width", 1280, "of the window")
	height := flag.Int64("height", 800, "of the window")
	before := flag.String("before", "", "script that runs on a first visit, before the page is opened again")
	script := flag.String("js", "", "script that runs before the picture; may be async")
	wait := flag.Duration("wait", 900*time.Millisecond, "how long to wait before the picture")
	flag.Parse()
	var browsers browser.Pool
	ctx, release, err := browsers.Page(2 * time.Minute)
	if err == nil {
		err = shoot(ctx, *url, *out, *before, *script, *width, *height, *wait)
		release(false)
	}
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
}

func shoot(ctx context.Context, url, out, before, script string, width, height int64, wait time.Duration) error {
	steps := []chromedp.Action[chromedp.Void]{chromedp.EmulateViewport(width, height)}
	if before != "" {
		steps = append(steps, chromedp.Navigate(url), chromedp.Evaluate[chromedp.Void](before))
	}
	steps = append(steps, chromedp.Navigate(url), chromedp.Sleep(wait))
	if script != "" {
		steps = append(steps, chromedp.Evaluate[chromedp.Void]("(async () => {"+script+"})()", chromedp.EvalAwaitPromise), chromedp.Sleep(wait))
	}
	if err := chromedp.Do(ctx, steps...); err != nil {
		return err
	}
	png, err := chromedp.Run(ctx, chromedp.CaptureScreenshot())
	if err != nil {
		return err
	}
	return os.WriteFile(out, png, 0o644)
}
