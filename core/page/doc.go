// Package page is the core as one open page of a project knows it: the replica of the document, the hand, the game that is
// played, and the doors through which orders and questions come. What there is to be asked for lies in rooms by subject, the
// packages below; package view registers all of it and says what is shown.
package page
