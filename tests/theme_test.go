package tests

import (
	"math"
	"os"
	"regexp"
	"strconv"
	"strings"
	"testing"
)

// luminance is the relative luminance of a colour (WCAG 2.2).
func luminance(t *testing.T, hex string) float64 {
	n, err := strconv.ParseUint(strings.TrimPrefix(hex, "#"), 16, 32)
	if err != nil {
		t.Fatal(err)
	}
	part := func(v uint64) float64 {
		c := float64(v&255) / 255
		if c <= 0.04045 {
			return c / 12.92
		}
		return math.Pow((c+0.055)/1.055, 2.4)
	}
	return 0.2126*part(n>>16) + 0.7152*part(n>>8) + 0.0722*part(n)
}

// The colours of both themes keep the contrasts that reading needs.
func TestContrasts(t *testing.T) {
	css, err := os.ReadFile("../web/src/theme.css")
	if err != nil {
		t.Fatal(err)
	}
	light, dark := map[string]string{}, map[string]string{}
	block := regexp.MustCompile(`(?s)(@theme|\[data-theme='dark'\]) \{(.*?)\n\}`)
	token := regexp.MustCompile(`--color-([a-z-]+): (#[0-9a-f]{6});`)
	for _, b := range block.FindAllStringSubmatch(string(css), -1) {
		for _, m := range token.FindAllStringSubmatch(b[2], -1) {
			if b[1] == "@theme" {
				light[m[1]] = m[2]
				continue
			}
			dark[m[1]] = m[2]
		}
	}
	if len(light) < 19 || len(dark) != len(light) {
		t.Fatalf("%d colours in light, %d in dark", len(light), len(dark))
	}
	for theme, colours := range map[string]map[string]string{"light": light, "dark": dark} {
		check := func(on, of string, least float64) {
			a, b := luminance(t, colours[on])+0.05, luminance(t, colours[of])+0.05
			if r := max(a, b) / min(a, b); r < least {
				t.Errorf("%s: %s on %s is %.2f : 1, want %.1f", theme, of, on, r, least)
			}
		}
		for _, sheet := range []string{"sheet", "shelf", "held"} {
			check(sheet, "ink", 7)
			check(sheet, "soft", 4.5)
		}
		check("board", "ink", 4.5)
		check("saffron-button", "on-saffron", 4.5)
		for _, accent := range []string{"saffron", "lagoon", "plum", "rose", "moss"} {
			check("sheet", accent, 3)
			check("sheet", accent+"-ink", 4.5)
			check("shelf", accent+"-ink", 4.5)
		}
	}
}
