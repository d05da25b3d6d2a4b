package page

import (
	"errors"
	"reflect"
)

// A Question asks the page something and changes nothing. Like an Order it is a struct whose fields, written as JSON, say what
// is asked.
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

// An Asking is a sort of question, with what is taken for the answer while there is no page that could give one.
type Asking struct {
	Question  Question
	Otherwise any
}

var questions []Asking

// Questions are all sorts of questions, in the order in which they were registered.
func Questions() []Asking { return questions }

// RegisterQuestions lets questions be asked. It is called when the program begins.
func RegisterQuestions(list ...Asking) {
	questions = append(questions, list...)
	for _, q := range list {
		questionsByName[NameOf(q.Question)] = reflect.TypeOf(q.Question)
	}
}

// errNoQuestion is given for a text that is no question.
var errNoQuestion = errors.New("there is no such question")

// Ask answers the question that text says, an object with the name of a question as "do" and its fields as "with". The error
// is for developers.
func (p *Page) Ask(text []byte) (any, error) {
	q, _ := read(questionsByName, text).(Question)
	if q == nil {
		return nil, errNoQuestion
	}
	return q.Answer(p), nil
}
