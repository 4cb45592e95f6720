package quantity

import (
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"
)

type tokenKind int

const (
	none tokenKind = iota
	number
	word
	sign
	odd // what is none of these
)

type token struct {
	kind  tokenKind
	text  string // in lower case
	value float64
}

// signs are those of arithmetic as people type them, and what they mean.
var signs = map[rune]string{'+': "+", '-': "-", '−': "-", '–': "-", '*': "*", '×': "*", '·': "*", '/': "/", '÷': "/", ':': "/", '(': "(",
	')': ")"}

// split cuts a text into numbers, units and signs.
func split(text string) []token {
	var out []token
	for text = strings.TrimSpace(text); text != ""; text = strings.TrimLeftFunc(text, unicode.IsSpace) {
		r, size := utf8.DecodeRuneInString(text)
		switch {
		case r >= '0' && r <= '9' || r == '.' || r == ',':
			n := len(text) - len(strings.TrimLeft(text, "0123456789.,"))
			out = append(out, numeral(text[:n]))
			text = text[n:]
		case signs[r] != "":
			out = append(out, token{sign, signs[r], 0})
			text = text[size:]
		case strings.ContainsRune("'\"′″’”°%", r):
			out = append(out, token{word, string(r), 0})
			text = text[size:]
		case unicode.IsLetter(r):
			n := strings.IndexFunc(text, func(r rune) bool { return !unicode.IsLetter(r) && r != '·' && r != '²' })
			if n < 0 {
				n = len(text)
			}
			name := strings.ToLower(text[:n])
			if (name == "mm" || name == "cm") && strings.HasPrefix(text[n:], "2") {
				name, n = name+"2", n+1
			}
			out = append(out, token{word, name, 0})
			text = text[n:]
		default:
			out = append(out, token{odd, string(r), 0})
			text = text[size:]
		}
	}
	return out
}

// numeral reads digits with points and commas. The last of two different marks is the decimal one; a lone mark is; the same mark twice
// groups thousands.
func numeral(text string) token {
	mark := strings.LastIndexAny(text, ".,")
	plain := text
	if mark >= 0 {
		whole, rest := text[:mark], text[mark+1:]
		if strings.ContainsAny(whole, text[mark:mark+1]) { // the same mark before: all group
			whole, rest = text, ""
		}
		grouped := strings.FieldsFunc(whole, func(r rune) bool { return r == '.' || r == ',' })
		for i, g := range grouped {
			if len(grouped) > 1 && (i > 0 && len(g) != 3 || i == 0 && len(g) > 3) {
				return token{odd, text, 0}
			}
		}
		plain = strings.Join(grouped, "") + "." + rest
	}
	v, err := strconv.ParseFloat(plain, 64)
	if err != nil {
		return token{odd, text, 0}
	}
	return token{number, text, v}
}
