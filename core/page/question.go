package page

import (
	"encoding/json"
	"errors"
	"fmt"
	"reflect"
)

// A Question asks the page something and changes nothing of the project; one that needs all that was asked for before ends
// what is under way first. Like an Order it is a struct whose fields, written as JSON, say what is asked.
type Question interface {
	// Answer is a value that can be written as JSON, bytes, or a Picture.
	Answer(p *Page) any
}

// A Picture is what a question for one is answered with: pixels as RGBA that is not multiplied, row by row; none if there is
// no such picture.
type Picture struct {
	Pixels []byte
	W, H   int
}

// Pictured is a picture as most functions give it.
func Pictured(pixels []byte, w, h int) Picture { return Picture{pixels, w, h} }

// An Asking is a sort of question, with what is taken for the answer where none can be given: while there is no page, or if
// the question can't be read.
type Asking struct {
	Question  Question
	Otherwise any
}

var (
	questions []Asking
	// askings are the same by their names.
	askings = map[string]Asking{}
)

// Questions are all sorts of questions, in the order in which they were registered.
func Questions() []Asking { return questions }

// RegisterQuestions lets questions be asked. It is called when the program begins.
func RegisterQuestions(list ...Asking) {
	questions = append(questions, list...)
	for _, q := range list {
		askings[NameOf(q.Question)] = q
	}
}

// errNoQuestion is given for a text that is no question.
var errNoQuestion = errors.New("there is no such question")

// Ask answers the question that text says, an object with the name of a question as "do" and its fields as "with". The error,
// which is for developers, says that there is no such question.
func (p *Page) Ask(text []byte) (any, error) {
	var s said
	if json.Unmarshal(text, &s) != nil {
		return nil, errNoQuestion
	}
	asking, is := askings[s.Do]
	if !is {
		return nil, fmt.Errorf("%w: %q", errNoQuestion, s.Do)
	}
	v := reflect.New(reflect.TypeOf(asking.Question))
	if s.fill(v.Interface()) != nil {
		return asking.Otherwise, nil
	}
	return v.Elem().Interface().(Question).Answer(p), nil
}
