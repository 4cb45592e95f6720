package e2e

import (
	"bytes"
	"encoding/json"
	"image/png"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	cdppage "github.com/chromedp/cdproto/page"
	"github.com/chromedp/chromedp"
)

// printed prints the page as the browser would on paper of a size in inches, and reads how many pages that makes and their text.
func (p *page) printed(width, height float64) (pages int, text string) {
	p.t.Helper()
	background := true
	out, err := chromedp.Call(p.ctx, cdppage.PrintToPDF, cdppage.PrintToPDFParams{PaperWidth: width, PaperHeight: height,
		PrintBackground: &background})
	if err != nil {
		p.t.Fatal(err)
	}
	file := filepath.Join(p.t.TempDir(), "page.pdf")
	if err := os.WriteFile(file, out.Data, 0o600); err != nil {
		p.t.Fatal(err)
	}
	read := exec.Command("node", "pdf.mjs", file)
	read.Dir = "../reference"
	said, err := read.Output()
	var answer struct {
		Pages int
		Text  string
	}
	if err == nil {
		lines := bytes.Split(bytes.TrimSpace(said), []byte("\n")) // the reader may say something of its own before
		err = json.Unmarshal(lines[len(lines)-1], &answer)
	}
	if err != nil {
		p.t.Fatalf("the PDF cannot be read: %v", err)
	}
	return answer.Pages, answer.Text
}

// The setup goes on one sheet of either paper, whole and to be read, in either theme; and into a picture of the size that messages take.
func TestSetupCard(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/"))
	p.act(`localStorage.setItem('dialarc.preferences', JSON.stringify({theme: 'dark'}))`)
	p.reload()
	for key, wants := range map[string][]string{
		"raise.behind.hand": {"Cross-behind cable lateral raise", "Pulley", "hole 9", "Distance from the pulley", "reps", "Deltoid"},
		"squat.goblet":      {"Goblet squat", "reps", "Quadriceps", "Cues"},
	} {
		p.open(prog.ready(key))
		p.until("painted", `document.querySelector('[data-fresh="true"]')`)
		p.press("Setup card")
		p.until("the sheet", `document.querySelector('.printed .drawing svg')`)
		for paper, size := range map[string][2]float64{"A4": {8.27, 11.69}, "Letter": {8.5, 11}} {
			pages, text := p.printed(size[0], size[1])
			if pages != 1 {
				t.Errorf("%s on %s takes %d pages", key, paper, pages)
			}
			for _, want := range wants {
				if !strings.Contains(text, want) {
					t.Errorf("%s on %s does not say %q: %s", key, paper, want, text)
				}
			}
		}
		p.press("Close")
	}
	p.press("Setup card")
	file, err := os.Open(p.keeps("Picture for a message", ".png"))
	if err != nil {
		t.Fatal(err)
	}
	defer file.Close()
	if size, err := png.DecodeConfig(file); err != nil || size.Width != 1080 || size.Height != 1350 {
		t.Errorf("the picture: %v, %d by %d", err, size.Width, size.Height)
	}
}

// A comparison prints whole: its setups, curves and differences, on one sheet.
func TestComparisonPrints(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/compare"))
	p.press("Three raises")
	p.until("differences", `document.querySelectorAll('[data-difference]').length > 9`)
	for paper, size := range map[string][2]float64{"A4": {8.27, 11.69}, "Letter": {8.5, 11}} {
		pages, text := p.printed(size[0], size[1])
		if pages != 1 {
			t.Errorf("%s takes %d pages", paper, pages)
		}
		for _, want := range []string{"Three raises", "Cross-behind cable lateral raise", "Equal peak torque", "In words", "Low back", "Supraspinatus"} {
			if !strings.Contains(text, want) {
				t.Errorf("%s does not say %q: %.600s", paper, want, text)
			}
		}
	}
}
