// Package edit holds every change of a document as a value: a closed set of
// parts that can be applied and undone, their one encoding, and the replica
// that a page keeps of a document while its changes travel to the server.
//
// It does not know sockets, databases or who a person is.
package edit
