package e2e

import (
	"encoding/json"
	"fmt"
	"math"
	"net/http/httptest"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"dialarc/core/emg"
	"dialarc/core/kit"
	"dialarc/core/setup"
	"dialarc/internal/device"
	"dialarc/internal/simulate"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// simulated is a device that runs at some times its pace, as an option of the program that the page is told of it by.
func simulated(t *testing.T, name string, o simulate.Options, speed float64) string {
	t.Helper()
	server := httptest.NewServer(device.Handler(func() device.Device {
		d, err := simulate.New(o)
		if err != nil {
			t.Error(err)
		}
		return d
	}, speed))
	t.Cleanup(server.CloseClientConnections)
	return "--device=" + name + "=" + strings.Replace(server.URL, "http", "ws", 1)
}

func (p *page) lifterID(prog *program, name string) string {
	p.t.Helper()
	var list struct{ Items []struct{ ID, Name string } }
	prog.call("GET", "/api/lifters", nil, &list)
	for _, l := range list.Items {
		if l.Name == name {
			return l.ID
		}
	}
	p.t.Fatalf("there is no %s", name)
	return ""
}

// A lifter's strength is measured at two angles against a load cell, with an inclinometer: trials are found as they come, the arm's weight
// is added, setups show what changes, and the lifter keeps it. A cell that goes away in the middle loses nothing that was taken over.
func TestMeasureStrength(t *testing.T) {
	prog := startProgram(t, simulated(t, "Cell", simulate.Options{Kind: "loadcell", Seed: 4}, 8),
		simulated(t, "Level", simulate.Options{Kind: "inclinometer", Seed: 5}, 8),
		simulated(t, "Failing", simulate.Options{Kind: "loadcell", Seed: 4, Fault: "disconnect"}, 8),
		simulated(t, "Odd", simulate.Options{Kind: "loadcell", Seed: 4, Fault: "unit"}, 8))
	p := openPage(t, prog.url("/measure"))
	suvi := p.lifterID(prog, "Suvi Brandt")
	p.press("Suvi Brandt")
	p.says(`ol[aria-label="Worth measuring, the most first"] li`, "Strength")
	p.visit(prog.url("/measure/" + suvi + "/strength/shoulder.abduction"))
	p.until("the strap", `[...document.querySelectorAll('label')].some(l => l.innerText.startsWith('Strap'))`)
	p.fill("Strap, from the joint", "52")

	p.choose("Load cell", "Odd")
	p.says(`[aria-label="Trials"] [role="alert"]`, "furlong")
	p.choose("Load cell", "Failing")
	p.says(`[aria-label="Trials"] [role="status"]`, "Ready")
	p.press("Start")
	p.says(`[aria-label="Trials"] .state`, "It is gone")

	p.choose("Load cell", "Cell")
	p.choose("Inclinometer", "Level")
	p.until("both", `[...document.querySelectorAll('[aria-label="Trials"] .state')].filter(s => s.innerText.startsWith('Ready')).length === 2`)
	rows := `document.querySelector('textarea').value.trim().split('\n').filter(Boolean)`
	for run, button := range []string{"Start", "Next angle"} {
		p.press(button)
		p.until("three trials", fmt.Sprintf(`%s.length === %d`, rows, 3*(run+1)))
		p.press("Stop")
	}
	for i, row := range read[[]string](p, rows) {
		var deg, force float64
		if _, err := fmt.Sscan(row, &deg, &force); err != nil {
			t.Fatalf("%q: %v", row, err)
		}
		run := i / 3
		if deg != simulate.Trials.Angles[run] || math.Abs(force/simulate.Trials.Pull[run]-1) > 0.12 {
			t.Errorf("trial %d: %v degrees, %v N", i+1, deg, force)
		}
	}
	p.says(`[aria-label="What it comes to"]`, "weight of the limb at 60°")
	p.says(`[aria-label="What it comes to"]`, "Dumbbell lateral raise")
	p.reload() // nothing of it is lost
	p.says(`[aria-label="What it comes to"]`, "weight of the limb at 60°")
	p.press("Update Suvi's strength")
	p.says("body", "as tested today")
	var l struct{ Body setup.Lifter }
	prog.call("GET", "/api/lifters/"+suvi, nil, &l)
	today := time.Now().Format(time.DateOnly)
	n := 0
	for _, test := range l.Body.Strength {
		if test.Action == "shoulder.abduction" && test.Date == today {
			n++
			if at := map[float64]float64{20: 0.52 * 117,
				60: 0.52 * 103}[test.AngleDeg]; !(test.Torque > at && test.Torque < at+14) || test.Spread == 0 {
				t.Errorf("%+v", test)
			}
		}
	}
	if n != 2 {
		t.Errorf("%d tests of today", n)
	}
	p.visit(prog.url("/measure/" + suvi))
	p.says("ol", "Measured on "+time.Now().Format("2 Jan"))
}

// A band under tape and load cell, and a stack under a load cell pin by pin, come to what was simulated.
func TestMeasureByDevices(t *testing.T) {
	prog := startProgram(t, simulated(t, "Cell", simulate.Options{Kind: "loadcell", Behind: "band", Seed: 4}, 4),
		simulated(t, "Tape", simulate.Options{Kind: "tape", Seed: 5}, 4),
		simulated(t, "Handle", simulate.Options{Kind: "loadcell", Behind: "column", Seed: 6}, 16))
	var rooms struct {
		Items []struct {
			ID       string
			Document kit.Room
		}
	}
	prog.call("GET", "/api/rooms", nil, &rooms)
	var room string
	var band kit.Band
	var station kit.Station
	for _, r := range rooms.Items {
		for _, b := range r.Document.Bands {
			if b.RestLength == simulate.Band.Rest && len(r.Document.Stations) > 0 {
				room, band, station = r.ID, b, r.Document.Stations[0]
			}
		}
	}
	p := openPage(t, prog.url("/kit/"+room+"?measure="+band.Key))
	p.until("the dialog", `document.querySelector('[role="dialog"] textarea')`)
	p.choose("Tape", "Tape")
	p.choose("Load cell", "Cell")
	p.until("both", `[...document.querySelectorAll('[role="dialog"] .state')].filter(s => s.innerText.startsWith('Ready')).length === 2`)
	p.press("Start")
	p.until("the pull", `/2[01]\d\.\d cm/.test(document.querySelector('[role="dialog"] b[role="status"]').innerText)`)
	p.until("the band to be back", `/10\d\.\d cm/.test(document.querySelector('[role="dialog"] b[role="status"]').innerText)`)
	p.press("Stop and take the readings")
	p.until("what it loses, 12 %", `/before\s+1[123]%/.test(document.querySelector('[role="dialog"] dl').innerText)`)
	p.says(`[role="dialog"]`, "as plain rubber does")
	p.press("Discard")

	p.load(prog.url("/kit/" + room + "?measure=" + station.Key))
	p.until("the dialog", `document.querySelector('[role="dialog"] textarea')`)
	p.choose("Load cell", "Handle")
	for i, pin := range simulate.Column.Pins {
		p.fill("Pin", fmt.Sprint(pin))
		p.press("Start this pin")
		still := 9.80665 * (pin + simulate.Column.Unlabelled) * simulate.Column.Ratio
		p.until("the stack to move", fmt.Sprintf(`parseFloat(document.querySelector('[role="dialog"] b[role="status"]').innerText) > %v`, 0.7*still))
		time.Sleep(1500 * time.Millisecond) // two or three turns of the stack
		p.press("Stop and take the reading")
		p.until("the row", fmt.Sprintf(`document.querySelector('[role="dialog"] textarea').value.split('\n').length === %d`, i+1))
	}
	p.says(`[role="dialog"] dl`, "50.")
	p.says(`[role="dialog"] dl`, "6.")
	p.says(`[role="dialog"]`, "heavier than its label")
}

// edfOf is a file of a run of the simulated electrodes: 0 and 1 are strongest contractions, 2 repetitions.
func edfOf(t *testing.T, run int, seconds float64) string {
	t.Helper()
	d, err := simulate.New(simulate.Options{Kind: "emg", Seed: 9})
	if err != nil {
		t.Fatal(err)
	}
	for range run {
		d.Start()
	}
	raw, problems := emg.WriteEDF(simulate.Record(d, seconds))
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	file := filepath.Join(t.TempDir(), fmt.Sprintf("run %d.edf", run))
	if err := os.WriteFile(file, raw, 0o600); err != nil {
		t.Fatal(err)
	}
	return file
}

// Files of muscle activity are read: bad channels are said and left out, repetitions cut, percentages only with a strongest
// contraction, and a channel is held against the model once its muscle is chosen. A broken file is told where and changes nothing.
func TestMuscleActivity(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/measure/"))
	suvi := p.lifterID(prog, "Suvi Brandt")
	p.visit(prog.url("/measure/" + suvi + "/activity"))
	input := func(of string) string { return `input[aria-label="Open a file of ` + of + `"]` }
	p.until("the page", `document.querySelector('`+input("repetitions")+`')`)
	broken := filepath.Join(t.TempDir(), "broken.edf")
	if err := os.WriteFile(broken, []byte("0       short"), 0o600); err != nil {
		t.Fatal(err)
	}
	p.do(chromedp.SetUploadFiles(chromedp.CSS(input("repetitions")), []string{broken}))
	p.says(`[aria-label="Recordings and channels"] [role="alert"]`, "header: The file has 13 bytes")
	p.do(chromedp.SetUploadFiles(chromedp.CSS(input("repetitions")), []string{edfOf(t, 2, 34)}))
	list := `ul[aria-label="Channels"]`
	p.says(list, "Saturated")
	p.says(list, "Mains hum at 50 Hz")
	p.says(list, "Came loose from 18")
	p.says(list, "Silent")
	p.says(`[aria-label="What it says"] dl`, "µV")
	for run := range 2 {
		p.do(chromedp.SetUploadFiles(chromedp.CSS(input("a strongest contraction")), []string{edfOf(t, run, 9)}))
		p.says(`[aria-label="Recordings and channels"]`, fmt.Sprintf("%d. run %d.edf", run+1, run))
	}
	p.choose("Setup that was done", "Dumbbell lateral raise")
	p.choose("Muscle under ch1", "Deltoid, middle")
	p.says(`[aria-label="What it says"] dl`, "Correlation with the model")
	p.until("a percentage", `/Measured, mean of the lifting\s+[56]\d%/.test(document.querySelector('[aria-label="What it says"] dl').innerText)`)
	p.says(`[aria-label="What it says"]`, "Activity is not growth")
	p.says(`[aria-label="What it says"] dl`, "6 of 6")
	p.press("Repetition 2")
	p.says(`[aria-label="What it says"] dl`, "5 of 6")
	p.press("Repetition 2")
	p.says(`[aria-label="What it says"] dl`, "6 of 6")
	p.press("Leave this channel out")
	p.says(`[aria-label="What it says"] h1`, "Left out")
	p.press("Take it in again")
	p.until("it to be in", `!document.querySelector('[aria-label="What it says"] h1').innerText.includes('Left out')`)
	dir := p.downloads()
	p.press("Export as EDF")
	raw, err := os.ReadFile(p.kept(dir, "edf"))
	if err != nil {
		t.Fatal(err)
	}
	if r, problems := emg.ReadEDF(raw); len(problems) > 0 || len(r.Channels) != 9 || r.Seconds() != 34 {
		t.Errorf("exported: %v", problems)
	}
	p.press("Keep")
	p.says("body", "is kept, with its samples")
	p.reload()
	p.press("Dumbbell lateral raise") // kept, with what was chosen
	p.says(list, "Came loose from 18")
	p.says(`[aria-label="What it says"] dl`, "Correlation with the model")
}

// The drawn test picture is measured: a lifter's arm, nearer to the camera than the rod, comes out as it is on file within what is
// said of it, points are moved by the keys and taken back, and a picture of the page's own changes nothing. A cam's angles become a
// machine's table.
func TestPhotograph(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/measure/"))
	suvi := p.lifterID(prog, "Suvi Brandt")
	p.visit(prog.url("/measure/" + suvi + "/photo"))
	p.press("Try a drawn one")
	stage := `document.querySelector('[aria-label="The picture"] svg')`
	p.until("the picture", stage+`.querySelector('use')`)
	// What is drawn twice, in the picture and under the glass, is looked for in the picture: its box comes from the first use.
	at := func(selector, where string) (x, y float64) {
		t.Helper()
		place := read[[]float64](p, fmt.Sprintf(`(() => { const of = document.querySelector('#measured-picture %s'); const b = of.getBBox();
			const m = of.getCTM(), whole = document.querySelector('#measured-picture').getCTM();
			const q = new DOMPoint(b.x + b.width / 2, %s).matrixTransform(m).matrixTransform(whole.inverse());
			const use = document.querySelector('use[href="#measured-picture"]');
			const s = q.matrixTransform(use.getScreenCTM()); return [s.x, s.y]; })()`, selector, where))
		return place[0], place[1]
	}
	click := func(selector, where string) {
		t.Helper()
		x, y := at(selector, where)
		p.do(chromedp.MouseClickXY(x, y))
	}
	click(`[data-rod="top"]`, "b.y")
	p.until("the next point", `document.querySelector('[data-now="true"]').innerText.startsWith('known length, foot')`)
	click(`[data-rod="foot"]`, "b.y + b.height")
	for _, joint := range []string{"shoulder", "elbow", "wrist"} {
		click(`[data-joint="`+joint+`"]`, "b.y + b.height / 2")
	}
	found := `[aria-label="What it comes to"]`
	p.says(found, "Forearm")
	var l struct{ Body setup.Lifter }
	prog.call("GET", "/api/lifters/"+suvi, nil, &l)
	rows := read[[]string](p, `[...document.querySelectorAll('`+found+` tbody tr')].map(r => r.innerText)`)
	for i, key := range []string{"upperArm", "forearm"} {
		var length, off float64
		cells := strings.Split(rows[i], "\t")
		if _, err := fmt.Sscanf(cells[len(cells)-1], "%f cm ± %f", &length, &off); err != nil {
			t.Fatalf("%q: %v", rows[i], err)
		}
		if want := 100 * l.Body.LengthOf(key); math.Abs(length-want) > off+0.05 || off > 2 || off <= 0 {
			t.Errorf("%s: %v ± %v, on file %v", key, length, off, want)
		}
	}
	p.says(found, "A drawn picture changes nothing")
	text := read[string](p, `document.querySelector('`+found+` dl').parentElement.parentElement.innerText`)
	p.act(`document.querySelector('[data-mark="wrist"]').focus()`)
	p.key(kb.ArrowRight, chromedp.ModifierShift)
	p.until("another forearm", `document.querySelector('`+found+` dl').parentElement.parentElement.innerText !== `+quoted(text))
	p.press("Undo")
	p.until("the forearm as it was", `document.querySelector('`+found+` dl').parentElement.parentElement.innerText === `+quoted(text))

	p.press("Machine's cam")
	p.press("Try a drawn one")
	p.until("the machine", `document.querySelector('#measured-picture [data-joint="ropeB"]')`)
	click(`[data-rod="top"]`, "b.y")
	p.until("the next point", `document.querySelector('[data-now="true"]').innerText.startsWith('known length, foot')`)
	click(`[data-rod="foot"]`, "b.y + b.height")
	for _, point := range []string{"axis", "arm", "ropeA", "ropeB"} {
		click(`[data-joint="`+point+`"]`, "b.y + b.height / 2")
	}
	p.until("its moment arm", `/^1[01]\.\d cm ± 0\.\d/.test(document.querySelector('`+found+` h1')?.innerText)`)
	var arm, off float64
	if _, err := fmt.Sscanf(read[string](p, `document.querySelector('`+found+` h1').innerText`), "%f cm ± %f", &arm, &off); err != nil ||
		math.Abs(arm-11) > off+0.05 {
		t.Errorf("the cam is drawn with 11 cm and measured with %v ± %v (%v)", arm, off, err)
	}
	for i, deg := range []float64{10, 60} {
		for _, point := range []string{"axis of the machine", "pad, or a point on the machine's arm", "rope or belt, one point", "rope or belt, farther along"} {
			if i == 0 {
				p.press("Remove " + point)
				p.press("Place " + point + " in the middle")
			}
		}
		for mark, keys := range map[string]int{"arm": 12, "ropeA": 5 + i, "ropeB": -5} {
			p.act(`document.querySelector('[data-mark="` + mark + `"]').focus()`)
			for range max(keys, -keys) {
				p.key(map[bool]string{true: kb.ArrowDown, false: kb.ArrowUp}[keys > 0], chromedp.ModifierShift)
			}
			if mark != "arm" {
				for range 4 {
					p.key(kb.ArrowRight, chromedp.ModifierShift)
				}
			}
		}
		p.fill("Joint angle there, if it is not that of the picture, °", fmt.Sprint(deg))
		p.press("Add this angle")
		p.says(`table[aria-label="Cam by angle"]`, fmt.Sprintf("%.0f°", deg))
	}
	p.press("Use these 2 angles")
	p.says("body", "the cam is as measured")
	var rooms struct{ Items []struct{ Document kit.Room } }
	prog.call("GET", "/api/rooms", nil, &rooms)
	measured := false
	for _, r := range rooms.Items {
		for _, c := range r.Document.Cams {
			measured = measured || len(c.Table) == 2 && c.Table[0].AngleDeg == 10 && c.Table[1].AngleDeg == 60 && c.Table[0].Arm > 0.01
		}
	}
	if !measured {
		t.Error("no machine has the table")
	}
}

// A study is put together, says who does what in which order and what is still to be measured, takes in what is kept, and tells what lies
// between its setups; its results leave as a table.
func TestStudy(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/measure/studies"))
	p.press("Add a study")
	p.press("Choose setups")
	take := func(name string) {
		t.Helper()
		box := fmt.Sprintf(`[...document.querySelectorAll('[role="dialog"] label')].find(l => l.innerText.split('\n')[0].trim() === %s)?.querySelector('input')`, quoted(name))
		p.until("the choice "+name, box)
		p.act(box + ".click()")
	}
	raises := []string{"Dumbbell lateral raise", "Cross-behind cable lateral raise, hand height"}
	for _, name := range raises {
		take(name)
	}
	p.press("Take 2")
	p.press("Choose lifters")
	ids := map[string]string{}
	for _, name := range []string{"Suvi Brandt", "Madoc Quill"} {
		ids[name] = p.lifterID(prog, name)
		take(name)
	}
	p.press("Take 2")
	p.says("body", "0 of 4 measured")
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "version 2")
	for i, name := range []string{"Suvi Brandt", "Madoc Quill"} {
		for k, setupName := range raises {
			mean := 50 + 10*float64(i) + (9+float64(i))*float64(k)
			prog.call("PUT", fmt.Sprintf("/api/captures/00000000-0000-4000-8000-0000000000%d%d", i+1, k+1), emg.Capture{Schema: emg.CaptureSchema, Title: setupName,
				Day: time.Now().Format(time.DateOnly), LifterID: ids[name], Setup: setupName, Muscles: map[string]string{"ch1": "deltoid.middle"},
				Lines: []emg.Line{{Label: "ch1", Muscle: "Deltoid, middle", State: "good", Percent: true, Mean: &mean, Peak: &mean, Reps: 6}}}, new(json.RawMessage))
		}
	}
	p.reload()
	p.says("body", "4 of 4 measured")
	p.until("the difference", `/Cross-behind[^\n]* over Dumbbell lateral raise\s+2\s+9\.5/.test(document.querySelector('table[aria-label="Differences"]').innerText)`)
	p.says(`table[aria-label="Setups"]`, "55")
	p.says("body", "2 lifters are few")
	p.press("Start the rest")
	p.says(`[role="timer"]`, "2:59 left")
	dir := p.downloads()
	p.press("Export the study")
	p.pick("Results as CSV")
	raw, err := os.ReadFile(p.kept(dir, "csv"))
	if err != nil {
		t.Fatal(err)
	}
	if text := string(raw); strings.Count(text, "\n") < 5 || !strings.Contains(text, "Suvi Brandt") || !strings.Contains(text, "59") {
		t.Errorf("%s", text)
	}
}

// A machine's cam is measured from readings at its pad, a lever from where its bare weight is felt: the gym takes both over with the day.
func TestMeasureMachines(t *testing.T) {
	prog := startProgram(t)
	type stored struct {
		ID       string
		Document kit.Room
	}
	room := func() stored {
		t.Helper()
		var rooms struct{ Items []stored }
		prog.call("GET", "/api/rooms", nil, &rooms)
		for _, r := range rooms.Items {
			if len(r.Document.Cams) > 0 && len(r.Document.Levers) > 0 {
				return r
			}
		}
		t.Fatal("no gym has both kinds of machine")
		return stored{}
	}
	before := room()
	machine, lever := before.Document.Cams[0], before.Document.Levers[0]
	p := openPage(t, prog.url("/kit/"+before.ID+"?measure="+machine.Key))
	text := `document.querySelector('[role="dialog"] textarea')`
	write := func(rows string) {
		t.Helper()
		p.until("the dialog", text)
		p.act(fmt.Sprintf(`(e => { Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set.call(e, %s);
			e.dispatchEvent(new Event('input', { bubbles: true })) })(%s)`, quoted(rows), text))
	}
	pin := machine.Lightest + 4*machine.Step // as the dialog begins
	var rows strings.Builder
	for _, deg := range []float64{10, 50, 90} {
		force := 9.80665 * pin * machine.Ratio * (0.10 - deg/3000) / machine.PadFrom
		fmt.Fprintf(&rows, "%g, %.3f N\n%g, %.3f N\n", deg, force, deg, 1.01*force)
	}
	write(rows.String())
	p.says(`[role="dialog"]`, "3 angles ±")
	p.press("Use these")
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "version 2")

	p.load(prog.url("/kit/" + before.ID + "?measure=" + lever.Key))
	rows.Reset()
	for _, deg := range []float64{-30, 0, 30} {
		fmt.Fprintf(&rows, "%g, %.3f N\n", deg, 9.80665*2*0.37*math.Cos(deg*math.Pi/180)/lever.HandleRadius)
	}
	write(rows.String())
	p.says(`[role="dialog"] dl`, "1.6 kg") // as if half way to the handle, where its mass is not known
	p.fill("Mass of the bare lever", "2")
	p.says(`[role="dialog"] dl`, "37.0 cm")
	p.press("Use these")
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "version 3")
	after := room().Document
	if c := after.Cams[0]; c.Measured == nil || len(c.Table) != 3 || math.Abs(c.Table[1].Arm-1.005*(0.10-50.0/3000)) > 1e-4 {
		t.Errorf("the cam: %+v", c)
	}
	if l := after.Levers[0]; l.Measured == nil || math.Abs(l.LeverRadius-0.37) > 1e-3 || l.LeverMass != 2 {
		t.Errorf("the lever: %+v", l)
	}
}

// The ends of a range are typed and where it begins to hurt is read off an inclinometer; the lifter keeps both.
func TestMeasureARange(t *testing.T) {
	prog := startProgram(t, simulated(t, "Level", simulate.Options{Kind: "inclinometer", Seed: 5}, 8))
	p := openPage(t, prog.url("/lifters"))
	suvi := p.lifterID(prog, "Suvi Brandt")
	p.visit(prog.url("/lifters/" + suvi + "?part=ranges"))
	p.press("Measure a range")
	p.choose("Joint", "Elbow flexion")
	p.fill("Least", "130")
	p.fill("Most", "5")
	p.says(`[role="dialog"] [role="alert"]`, "swap them")
	p.fill("Least", "5")
	p.fill("Most", "130")
	p.choose("Inclinometer", "Level")
	p.says(`[role="dialog"] .state`, "Ready")
	p.press("Start")
	p.says(`[role="dialog"] .now`, "20°")
	p.press("Pain begins: take what the inclinometer reads")
	p.press("Use these")
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "version 2")
	var l struct{ Body setup.Lifter }
	prog.call("GET", "/api/lifters/"+suvi, nil, &l)
	p.press("Body")
	p.press("Measure the arm path")
	for i, deg := range []string{"10", "14", "12"} {
		p.fill(fmt.Sprintf("Position %d", i+1), deg)
	}
	p.says(`[role="dialog"] [role="status"]`, "It tracks 12° out ± 5°")
	p.press("Use this")
	p.key("s", chromedp.ModifierCtrl)
	p.says(saveState, "version 3")
	prog.call("GET", "/api/lifters/"+suvi, nil, &l)
	if l.Body.NaturalPathDeg != 12 {
		t.Errorf("the arm's path is %v", l.Body.NaturalPathDeg)
	}
	r := l.Body.Ranges["elbow.flexion"]
	if r.FromDeg != 5 || r.ToDeg != 130 || len(r.Hurts) != 1 || r.Hurts[0] != (setup.Span{FromDeg: 20, ToDeg: 130}) ||
		!strings.Contains(r.Pain, "right, warm") {
		t.Errorf("%+v", r)
	}
}
