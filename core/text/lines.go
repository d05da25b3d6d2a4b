package text

import "strings"

// Break breaks a paragraph into lines that are at most so many pixels wide: at spaces, after hyphens and dashes, and where it has
// line breaks of its own; a word that is wider than a line is broken anywhere. Spaces at the end of a line are left out. A
// letter that is wider than a line has one of its own.
func Break(paragraph string, width int) (lines []string) {
	for line := range strings.SplitSeq(paragraph, "\n") {
		lines = append(lines, breakLine(clusters(line), width)...)
	}
	return lines
}

func breakLine(list []cluster, width int) (lines []string) {
	for {
		n, after := fitting(list, width)
		for n > 0 && list[n-1].breaks() {
			n--
		}
		if line := textOf(list[:n]); line != "" {
			lines = append(lines, line)
		}
		if list = list[after:]; len(list) == 0 {
			return lines
		}
	}
}

// fitting is how many letters of a paragraph are a line, and with which the next one begins.
func fitting(list []cluster, width int) (n, after int) {
	w := 0
	for i := range list {
		if i > 0 {
			w += between
		}
		w += list[i].width
		switch {
		case w > width && n > 0 && !list[i].breaks():
			return n, after
		case w > width && !list[i].breaks():
			return max(i, 1), max(i, 1)
		}
		switch {
		case list[i].breaks():
			n, after = i, i+1
		case list[i].text == "-" || list[i].text == "–" || list[i].text == "—":
			n, after = i+1, i+1
		}
	}
	return len(list), len(list)
}

// breaks reports whether a line may end before it, which is left out then.
func (c *cluster) breaks() bool { return c.blank && c.text != "\u00a0" && c.text != "\u202f" }

func textOf(list []cluster) string {
	var b strings.Builder
	for i := range list {
		b.WriteString(list[i].text)
	}
	return b.String()
}

// Paragraphs are the parts of a text between empty lines; those without a letter are left out.
func Paragraphs(text string) (list []string) {
	var lines []string
	end := func() {
		if p := strings.Join(lines, "\n"); strings.TrimSpace(p) != "" {
			list = append(list, p)
		}
		lines = nil
	}
	for line := range strings.SplitSeq(text, "\n") {
		if strings.TrimSpace(line) == "" {
			end()
			continue
		}
		lines = append(lines, line)
	}
	end()
	return list
}
