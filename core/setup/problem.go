package setup

import "strings"

// Problem says what is wrong with a document, where, why it matters and what would be right.
type Problem struct {
	Path string `json:"path" doc:"Where, like loads[0].pulley.y; empty for the whole document."`
	What string `json:"what" doc:"What is wrong."`
	Why  string `json:"why,omitempty" doc:"Why it cannot be used."`
	Hint string `json:"hint,omitempty" doc:"What would be right."`
}

// Problems is a list of what is wrong. It is an error when it is not empty.
type Problems []Problem

// Error joins the problems, one a line.
func (p Problems) Error() string {
	lines := make([]string, len(p))
	for i, q := range p {
		lines[i] = q.String()
	}
	return strings.Join(lines, "\n")
}

// String is the problem as one sentence for a terminal.
func (q Problem) String() string {
	var b strings.Builder
	if q.Path != "" {
		b.WriteString(q.Path + ": ")
	}
	b.WriteString(q.What)
	for _, more := range []string{q.Why, q.Hint} {
		if more != "" {
			b.WriteString(" " + more)
		}
	}
	return b.String()
}
