package emg

import (
	"bufio"
	"bytes"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"dialarc/core/cells"
	"dialarc/core/setup"
)

// mostChannels is how many columns a table of samples may have.
const mostChannels = 65

// ReadTable reads samples as text: the first row names the columns with their units, as in biceps (uV); one is the time in s or ms.
// Rows come evenly in time; where some are missing the recording has a gap, which is told and filled with the value before.
func ReadTable(raw []byte) (*Recording, setup.Problems) {
	v := &setup.Checks{}
	raw = bytes.TrimPrefix(raw, []byte("\ufeff"))
	lines := bufio.NewScanner(bytes.NewReader(raw))
	lines.Buffer(make([]byte, 0, 1<<16), 1<<20)
	if !lines.Scan() {
		v.Add("row 1", "The file is empty.", "", "Give a table whose first row names the columns.")
		return nil, v.Found
	}
	sep := string(cells.Separator(lines.Text()))
	r := &Recording{}
	time, perSecond := tableHead(v, r, strings.Split(lines.Text(), sep))
	if len(v.Found) > 0 {
		return nil, v.Found
	}
	var times []float64
	row := make([]float64, len(r.Channels)+1)
	for n := 2; lines.Scan(); n++ {
		text := strings.TrimSpace(lines.Text())
		if text == "" {
			continue
		}
		if !tableRow(v, n, strings.Split(text, sep), sep == ";", row) {
			return nil, v.Found
		}
		t := row[time] / perSecond
		if k := len(times); k > 0 && !(t > times[k-1]) {
			v.Add(fmt.Sprintf("row %d", n), fmt.Sprintf("Its time, %g s, does not come after the one before.", t), "", "Put the rows in the order of time, one for each.")
			return nil, v.Found
		}
		times = append(times, t)
		k := 0
		for i, x := range row {
			if i != time {
				r.Channels[k].Samples = append(r.Channels[k].Samples, x)
				k++
			}
		}
		if len(times)*len(r.Channels) > MostSamples {
			v.Add(fmt.Sprintf("row %d", n), fmt.Sprintf("There are more than %d samples.", MostSamples), "", "Cut the recording, or leave columns out.")
			return nil, v.Found
		}
	}
	if err := lines.Err(); err != nil {
		v.Add("", "The file cannot be read: "+err.Error()+".", "", "Give rows of text, one sample of each channel a row.")
		return nil, v.Found
	}
	if evenly(v, r, times); len(v.Found) > 0 {
		return nil, v.Found
	}
	for i := range r.Channels {
		r.Channels[i].inMicrovolts()
	}
	return r, nil
}

// tableHead makes the channels of the first row; it says which column is the time, and how much of it is a second.
func tableHead(v *setup.Checks, r *Recording, names []string) (time int, perSecond float64) {
	time = -1
	if len(names) < 2 || len(names) > mostChannels {
		v.Add("row 1", fmt.Sprintf("It names %d columns.", len(names)), "", fmt.Sprintf("Give a time and 1 to %d channels, like: time (s), biceps (uV).", mostChannels-1))
		return time, 1
	}
	for i, name := range names {
		label, unit, _ := strings.Cut(strings.Trim(clean([]byte(name)), `"`), "(")
		label, unit = strings.TrimSpace(label), strings.TrimSpace(strings.TrimSuffix(strings.TrimSpace(unit), ")"))
		if lower := strings.ToLower(label); time < 0 && (lower == "time" || lower == "t" || lower == "seconds") {
			time, perSecond = i, 1
			if strings.EqualFold(unit, "ms") {
				perSecond = 1000
			}
			continue
		}
		if label == "" {
			label = fmt.Sprintf("column %d", i+1)
		}
		r.Channels = append(r.Channels, Channel{Label: label, Unit: unit})
	}
	if time < 0 {
		v.Add("row 1", "No column is called time.", "Repetitions are cut by time.", "Call one time (s) or time (ms).")
	}
	return time, perSecond
}

func tableRow(v *setup.Checks, n int, parts []string, comma bool, row []float64) bool {
	if len(parts) != len(row) {
		v.Add(fmt.Sprintf("row %d", n), fmt.Sprintf("It has %d numbers.", len(parts)), "", fmt.Sprintf("Give %d, one for each column.", len(row)))
		return false
	}
	for i, p := range parts {
		p = strings.TrimSpace(p)
		if comma {
			p = strings.Replace(p, ",", ".", 1)
		}
		x, err := strconv.ParseFloat(p, 64)
		if err != nil || math.IsNaN(x) || math.IsInf(x, 0) {
			v.Add(fmt.Sprintf("row %d, column %d", n, i+1), fmt.Sprintf("%q is no number.", setup.Clip(p)), "", "Give a number, or leave the row out.")
			return false
		}
		row[i] = x
	}
	return true
}

// evenly gives the channels their rate, and fills gaps.
func evenly(v *setup.Checks, r *Recording, times []float64) {
	if len(times) < 10 {
		v.Add("", fmt.Sprintf("There are %d rows of samples.", len(times)), "", "Give at least a second.")
		return
	}
	steps := make([]float64, 0, len(times))
	for i := 1; i < len(times); i++ {
		steps = append(steps, times[i]-times[i-1])
	}
	slices.Sort(steps)
	step := steps[len(steps)/2]
	total := int(math.Round((times[len(times)-1]-times[0])/step)) + 1
	if total*len(r.Channels) > MostSamples {
		v.Add("", "Its gaps are longer than what was recorded.", "", "Cut it into recordings without gaps.")
		return
	}
	for i := range r.Channels {
		r.Channels[i].Rate = math.Round(1e6/step) / 1e6
	}
	lost := total - len(times)
	if lost <= 0 {
		return
	}
	r.Warnings = append(r.Warnings, fmt.Sprintf("%d samples are missing; the value before stands for them.", lost))
	for i := range r.Channels {
		c := &r.Channels[i]
		full := make([]float64, 0, total)
		for k, x := range c.Samples {
			for at := int(math.Round((times[k] - times[0]) / step)); len(full) < at; {
				full = append(full, full[len(full)-1])
			}
			full = append(full, x)
		}
		c.Samples = full
	}
}
