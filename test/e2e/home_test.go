package e2e

import "testing"

// From the first screen: an exercise is found with a slip of the finger and opens for an average body; then it stands under Continue. The
// example opens too, and the rep that is shown stops when it is told to.
func TestHome(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/"))
	p.until("the moving rep", `document.querySelector('figure svg')`)
	moving := `document.querySelector('figure svg:last-of-type circle').getAttribute('cx')`
	was := read[string](p, moving)
	p.press("Play") // the browser of the journeys asks for as little motion as there can be
	p.until("it moves", moving+" !== "+quoted(was))
	p.press("Pause")
	p.fill("Start from an exercise", "lateral rase")
	p.press("Open: Dumbbell lateral raise")
	p.until("the dials", `document.querySelector('[data-dial="load.mass/0"]')`)
	p.says("a", "Average body")
	p.press("Home")
	p.says(`section[aria-label="Continue"]`, "Dumbbell lateral raise")
	p.press("Open an example")
	p.until("the pulley's dial", `document.querySelector('[data-dial="pulley.height/0"]')`)
	var lifters struct{ Items []struct{ Name string } }
	prog.call("GET", "/api/lifters?q=average", nil, &lifters)
	if len(lifters.Items) != 1 {
		t.Errorf("two exercises that were opened for nobody made the lifters %v", lifters.Items)
	}
}

// From a first visit to the torque profile of a lifter of one's own: two numbers and at most six presses.
func TestFirstProfileInSixPresses(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/"))
	presses := 0
	press := func(name string) {
		presses++
		p.press(name)
	}
	press("Add a lifter")
	p.fill("Name", "Wren Aldous")
	p.fill("Height, cm", "181")
	p.fill("Body mass, kg", "82")
	press("Save")
	p.until("the sheet", `document.querySelector('input[aria-label="Name of the lifter"]')?.value === "Wren Aldous"`)
	press("New setup")
	press("Start from: Dumbbell lateral raise")
	p.until("the profile", `document.querySelector('section[aria-label="Profile"] svg path')`)
	p.says("dl", "Peak torque")
	if presses > 6 {
		t.Errorf("%d presses", presses)
	}
}

// Nothing that is looked for is met with silence: what is not here yet says why, and a word that nothing holds is said to be none.
func TestHomeFindsNothing(t *testing.T) {
	prog := startProgram(t)
	p := openPage(t, prog.url("/"))
	p.until("the field", `document.querySelector('section[aria-label="Start from an exercise"] input')`)
	p.fill("Start from an exercise", "pendulum squat")
	p.says(`[role="status"]`, "Pendulum squat is not here yet")
	p.fill("Start from an exercise", "qqqqqq")
	p.says(`[role="status"]`, "No exercise matches")
	p.load(prog.url("/nowhere"))
	p.until("home again", `location.pathname === "/" && document.querySelector('h1')`)
}
