package setup_test

import (
	"strings"
	"testing"

	"dialarc/core/setup"
)

// Documents of any kind are read strictly: what is wrong is told where.
func TestDecode(t *testing.T) {
	type note struct {
		Title string `json:"title"`
		Count int    `json:"count"`
	}
	if n, problems := setup.Decode[note]([]byte(`{"title":"x","count":2}`), "note", "1 kB"); len(problems) > 0 || n.Count != 2 {
		t.Errorf("%+v, %v", n, problems)
	}
	for text, c := range map[string][2]string{
		`{"title":1}`:    {"title", "number"},
		`{"titel":"x"}`:  {"titel", ""},
		`{"title":"x",}`: {"", "not JSON"},
		`{"title":"` + strings.Repeat("x", setup.MaxBytes) + `"}`: {"", "The note has"},
	} {
		_, problems := setup.Decode[note]([]byte(text), "note", "1 kB")
		if len(problems) == 0 || problems[0].Path != c[0] || !strings.Contains(problems[0].What, c[1]) {
			t.Errorf("%.40s: %v", text, problems)
		}
	}
}
