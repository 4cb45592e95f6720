package emg

import (
	"bytes"
	"encoding/binary"
	"fmt"
	"math"
	"strconv"
	"strings"

	"dialarc/core/setup"
)

// The European Data Format (Kemp et al. 1992, Electroencephalogr Clin Neurophysiol 82:391-393) and EDF+ (Kemp and Olivan 2003, Clin
// Neurophysiol 114:1755-1761): a header in ASCII of 256 bytes and 256 for each signal, then records of 16-bit integers.
const (
	edfHeader = 256
	edfNotes  = "EDF Annotations"
)

// edfField are the widths of what the header says of each signal, in order.
var edfFields = []struct {
	name  string
	width int
}{{"label", 16}, {"transducer", 80}, {"unit", 8}, {"physical minimum", 8}, {"physical maximum", 8}, {"digital minimum", 8},
	{"digital maximum", 8}, {"prefiltering", 80}, {"samples", 8}, {"reserved", 32}}

// edfSignal is one signal of a file.
type edfSignal struct {
	label, unit string
	low, scale  float64 // value of the digital minimum, value of a step
	bottom      float64 // digital minimum
	perRecord   int
}

// IsEDF says whether a file begins as EDF does.
func IsEDF(raw []byte) bool { return len(raw) >= 8 && strings.TrimSpace(string(raw[:8])) == "0" }

// ReadEDF reads a file of EDF or EDF+. A file that ends early is read as far as it goes, with a warning; what cannot be read is a
// problem that says where.
func ReadEDF(raw []byte) (*Recording, setup.Problems) {
	v := &setup.Checks{}
	if len(raw) < edfHeader {
		v.Add("header", fmt.Sprintf("The file has %d bytes.", len(raw)), "The header alone has 256.", "Export it again.")
		return nil, v.Found
	}
	r := &Recording{Started: edfDay(string(raw[168:184]))}
	kind := strings.TrimSpace(string(raw[192:236]))
	if strings.HasPrefix(kind, "EDF+D") {
		v.Add("header, reserved", "The recording has gaps in time (EDF+D).", "Repetitions are cut by time.", "Export it as continuous EDF+.")
		return nil, v.Found
	}
	records := edfNumber(v, "header, number of records", raw[236:244], -1, 1e7)
	duration := edfNumber(v, "header, length of a record", raw[244:252], 0, 3600)
	count := edfNumber(v, "header, number of signals", raw[252:256], 1, 512)
	if len(v.Found) > 0 {
		return nil, v.Found
	}
	head := edfHeader * (1 + int(count))
	if len(raw) < head {
		v.Add("header", fmt.Sprintf("The file ends within the header of its %d signals.", int(count)), "", "Export it again.")
		return nil, v.Found
	}
	signals := edfSignals(v, raw[edfHeader:head], int(count))
	if len(v.Found) > 0 {
		return nil, v.Found
	}
	edfData(v, r, signals, raw[head:], int(records), duration)
	if len(v.Found) > 0 {
		return nil, v.Found
	}
	return r, nil
}

// edfDay is a day and time like 02.08.5114.05.00; years from 85 on are of the last century.
func edfDay(text string) string {
	var d, m, y, hour, minute, second int
	if n, _ := fmt.Sscanf(text, "%2d.%2d.%2d%2d.%2d.%2d", &d, &m, &y, &hour, &minute, &second); n != 6 {
		return ""
	}
	century := 2000
	if y >= 85 {
		century = 1900
	}
	return fmt.Sprintf("%04d-%02d-%02d %02d:%02d:%02d", century+y, m, d, hour, minute, second)
}

func edfNumber(v *setup.Checks, path string, raw []byte, least, most float64) float64 {
	text := clean(raw)
	x, err := strconv.ParseFloat(text, 64)
	if err != nil || math.IsNaN(x) || x < least || x > most {
		v.Add(path, fmt.Sprintf("It says %q.", setup.Clip(text)), fmt.Sprintf("It has to be a number from %g to %g.", least, most), "Export the file again.")
	}
	return x
}

func edfSignals(v *setup.Checks, raw []byte, count int) []edfSignal {
	out := make([]edfSignal, count)
	at := 0
	field := func(k, i int) []byte { return raw[at+i*edfFields[k].width : at+(i+1)*edfFields[k].width] }
	numbers := make([][5]float64, count)
	for k, f := range edfFields {
		for i := range count {
			path := fmt.Sprintf("signal %d, %s", i+1, f.name)
			switch f.name {
			case "label":
				out[i].label = clean(field(k, i))
			case "unit":
				out[i].unit = clean(field(k, i))
			case "physical minimum", "physical maximum":
				numbers[i][k-3] = edfNumber(v, path, field(k, i), -1e12, 1e12)
			case "digital minimum", "digital maximum":
				numbers[i][k-3] = edfNumber(v, path, field(k, i), math.MinInt16, math.MaxInt16)
			case "samples":
				numbers[i][4] = edfNumber(v, path, field(k, i), 1, 1e6)
			}
		}
		at += f.width * count
	}
	for i, n := range numbers {
		s := &out[i]
		s.low, s.bottom, s.perRecord = n[0], n[2], int(n[4])
		if s.scale = (n[1] - n[0]) / (n[3] - n[2]); s.label != edfNotes && (math.IsNaN(s.scale) || math.IsInf(s.scale, 0) || s.scale == 0) {
			v.Add(fmt.Sprintf("signal %d", i+1), "Its smallest and largest values are the same.", "Its unit cannot be told from them.", "Export the file again.")
		}
	}
	return out
}

// edfData reads the records.
func edfData(v *setup.Checks, r *Recording, signals []edfSignal, raw []byte, records int, duration float64) {
	size, samples := 0, 0
	for _, s := range signals {
		size += 2 * s.perRecord
		samples += s.perRecord
	}
	there := len(raw) / size
	if records < 0 {
		records = there
	}
	if there < records {
		r.Warnings = append(r.Warnings, fmt.Sprintf("The file ends after %d of %d records: %.0f s are missing.", there, records, float64(records-there)*duration))
		records = there
	}
	switch {
	case records == 0:
		v.Add("records", "There is no record.", "", "Export the file again.")
		return
	case duration == 0:
		v.Add("header, length of a record", "A record has no length.", "Without it samples have no time.", "Export the recording, not its notes alone.")
		return
	case records*samples > MostSamples:
		v.Add("records", fmt.Sprintf("There are %d samples.", records*samples), fmt.Sprintf("More than %d cannot be worked on here.", MostSamples),
			"Cut the recording, or leave channels out.")
		return
	}
	at := make([]int, len(signals)) // of the channel of each signal; -1 for notes
	for i, s := range signals {
		if at[i] = -1; s.label != edfNotes {
			at[i] = len(r.Channels)
			r.Channels = append(r.Channels, Channel{Label: s.label, Unit: s.unit, Rate: float64(s.perRecord) / duration,
				Samples: make([]float64, 0, records*s.perRecord)})
		}
	}
	for k := range records {
		record := raw[k*size : (k+1)*size]
		for i, s := range signals {
			part := record[:2*s.perRecord]
			record = record[2*s.perRecord:]
			if at[i] < 0 {
				r.Notes = append(r.Notes, edfTAL(part)...)
				continue
			}
			c := &r.Channels[at[i]]
			for j := 0; j < len(part); j += 2 {
				digital := float64(int16(binary.LittleEndian.Uint16(part[j:])))
				c.Samples = append(c.Samples, s.low+(digital-s.bottom)*s.scale)
			}
		}
	}
	for i := range r.Channels {
		r.Channels[i].inMicrovolts()
	}
}

// edfTAL are the notes of a record: lists of a time and texts, parted by 20 and ended by 0; one without a text only keeps the time.
func edfTAL(raw []byte) []Note {
	var out []Note
	for _, list := range bytes.Split(raw, []byte{0}) {
		parts := bytes.Split(list, []byte{20})
		time, _, _ := bytes.Cut(parts[0], []byte{21})
		at, err := strconv.ParseFloat(string(time), 64)
		if err != nil || math.IsInf(at, 0) || math.IsNaN(at) {
			continue
		}
		for _, text := range parts[1:] {
			if t := clean(text); t != "" {
				out = append(out, Note{At: at, Text: t})
			}
		}
	}
	return out
}

// WriteEDF writes a recording as EDF+, in records of a second, with 16 bits over the range of each channel. Rates have to be whole numbers;
// a last second that is not full is filled with each channel's last value.
func WriteEDF(r *Recording) ([]byte, setup.Problems) {
	v := &setup.Checks{}
	for i := range r.Channels {
		if c := &r.Channels[i]; c.Rate != math.Round(c.Rate) || c.Rate < 1 || c.Rate > 1e5 {
			v.Add(c.Label, fmt.Sprintf("It has %g samples a second.", c.Rate), "A record of a second holds whole ones.", "Record at a whole rate.")
		}
	}
	if len(r.Channels) == 0 || len(r.Channels) > 500 {
		v.Add("", fmt.Sprintf("There are %d channels.", len(r.Channels)), "", "Give 1 to 500.")
	}
	if len(v.Found) > 0 {
		return nil, v.Found
	}
	records := int(math.Ceil(r.Seconds() - 1e-9))
	notes := edfNoteRecords(r.Notes, records)
	out := edfHead(r, records, len(notes[0]))
	low, step := make([]float64, len(r.Channels)), make([]float64, len(r.Channels))
	for i := range r.Channels {
		l, h := edfRange(&r.Channels[i])
		low[i], step[i] = l, (h-l)/65535
	}
	for k := range records {
		for i := range r.Channels {
			c := &r.Channels[i]
			per := int(c.Rate)
			for j := k * per; j < (k+1)*per; j++ {
				x := 0.0
				if n := len(c.Samples); n > 0 {
					x = c.Samples[min(j, n-1)]
				}
				digital := math.Round((x-low[i])/step[i]) - 32768
				out = binary.LittleEndian.AppendUint16(out, uint16(int16(max(-32768, min(32767, digital)))))
			}
		}
		out = append(out, notes[k]...)
	}
	return out, nil
}

// edfRange is a range that holds a channel, in numbers that eight characters can say.
func edfRange(c *Channel) (low, high float64) {
	for _, x := range c.Samples {
		low, high = min(low, x), max(high, x)
	}
	low, high = edfRound(low, math.Floor), edfRound(high, math.Ceil)
	if high <= low {
		high = low + 1
	}
	return low, high
}

func edfRound(x float64, to func(float64) float64) float64 {
	for _, digits := range []float64{1000, 10, 1} {
		if y := to(x*digits) / digits; len(strconv.FormatFloat(y, 'f', -1, 64)) <= 8 {
			return y
		}
	}
	return math.Copysign(9999999, x)
}

func edfHead(r *Recording, records, noteBytes int) []byte {
	var b bytes.Buffer
	text := func(width int, s string) {
		plain := strings.Map(func(c rune) rune { // ASCII alone
			switch {
			case c == 'µ' || c == 'μ':
				return 'u'
			case c < ' ' || c > '~':
				return '?'
			}
			return c
		}, s)
		fmt.Fprintf(&b, "%-*.*s", width, width, plain)
	}
	day, clock := "01.01.85", "00.00.00"
	if len(r.Started) == len("2026-11-29 14:05:00") {
		s := r.Started
		day, clock = s[8:10]+"."+s[5:7]+"."+s[2:4], strings.ReplaceAll(s[11:], ":", ".")
	}
	text(8, "0")
	text(80, "X X X X")
	text(80, "Startdate X X X X")
	text(8, day)
	text(8, clock)
	n := len(r.Channels) + 1
	text(8, strconv.Itoa(edfHeader*(1+n)))
	text(44, "EDF+C")
	text(8, strconv.Itoa(records))
	text(8, "1")
	text(4, strconv.Itoa(n))
	for _, f := range edfFields {
		for i := range r.Channels {
			c := &r.Channels[i]
			low, high := edfRange(c)
			text(f.width, map[string]string{"label": c.Label, "unit": c.Unit, "physical minimum": short(low), "physical maximum": short(high),
				"digital minimum": "-32768", "digital maximum": "32767", "samples": short(c.Rate)}[f.name])
		}
		text(f.width, map[string]string{"label": edfNotes, "physical minimum": "-1", "physical maximum": "1", "digital minimum": "-32768",
			"digital maximum": "32767", "samples": strconv.Itoa(noteBytes / 2)}[f.name])
	}
	return b.Bytes()
}

func short(x float64) string { return strconv.FormatFloat(x, 'f', -1, 64) }

// edfNoteRecords are the bytes of the notes of each record, all of one even length.
func edfNoteRecords(notes []Note, records int) [][]byte {
	out := make([][]byte, max(1, records))
	longest := 0
	for k := range out {
		out[k] = fmt.Appendf(nil, "+%d\x14\x14\x00", k)
		for _, n := range notes {
			if int(max(0, n.At)) == k {
				out[k] = fmt.Appendf(out[k], "+%s\x14%s\x14\x00", short(max(0, n.At)), clean([]byte(n.Text)))
			}
		}
		longest = max(longest, len(out[k]))
	}
	longest += longest % 2
	for k := range out {
		out[k] = append(out[k], make([]byte, longest-len(out[k]))...)
	}
	return out
}
