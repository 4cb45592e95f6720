package cells_test

import (
	"strings"
	"testing"

	"dialarc/core/cells"
)

// No cell begins like a formula, and every text is read back as it was.
func TestNoFormulas(t *testing.T) {
	for _, text := range []string{"", "=1+1", "+49", "-x", "@home", "\tx", "'=x", "''-y", "'quoted'", "O'Neil", "plain", "'"} {
		cell := cells.Write(text)
		if cell != "" && strings.ContainsAny(cell[:1], "=+-@\t\r") {
			t.Errorf("%q stands there as %q", text, cell)
		}
		if got := cells.Read(cell); got != text {
			t.Errorf("%q comes back as %q", text, got)
		}
	}
}
