package main

import (
	"bytes"
	"fmt"
	"go/ast"
	"go/parser"
	"go/printer"
	"go/token"
	"os"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
)

// A site is a place of a file at which something can be changed, with how.
type site struct {
	file string
	line int
	// what says what is changed.
	what string
	// change does so in the syntax tree of the file; it is used once.
	change func()
}

// A source is a file with its sites.
type source struct {
	set   *token.FileSet
	tree  *ast.File
	sites []site
}

// files are the Go files of a folder that are compiled and no tests.
func files(folder string) ([]string, error) {
	all, err := filepath.Glob(filepath.Join(folder, "*.go"))
	if err != nil {
		return nil, err
	}
	return slices.DeleteFunc(all, func(name string) bool { return strings.HasSuffix(name, "_test.go") }), nil
}

// read finds the sites of a file.
func read(name string) (*source, error) {
	s := &source{set: token.NewFileSet()}
	var err error
	if s.tree, err = parser.ParseFile(s.set, name, nil, parser.ParseComments); err != nil {
		return nil, fmt.Errorf("reading %s: %w", name, err)
	}
	ast.Inspect(s.tree, func(n ast.Node) bool {
		if decl, is := n.(*ast.GenDecl); is && decl.Tok == token.IMPORT {
			return false
		}
		s.visit(name, n)
		return true
	})
	return s, nil
}

// turned are the operators that another is put in the place of.
var turned = map[token.Token]token.Token{
	token.LSS: token.LEQ, token.LEQ: token.LSS, token.GTR: token.GEQ, token.GEQ: token.GTR,
	token.EQL: token.NEQ, token.NEQ: token.EQL, token.LAND: token.LOR, token.LOR: token.LAND,
	token.ADD: token.SUB, token.SUB: token.ADD,
}

func (s *source) add(file string, at token.Pos, what string, change func()) {
	s.sites = append(s.sites, site{file, s.set.Position(at).Line, what, change})
}

// visit adds the sites at a node.
func (s *source) visit(file string, n ast.Node) {
	switch n := n.(type) {
	case *ast.BinaryExpr:
		if to, is := turned[n.Op]; is && !words(n) {
			from := n.Op
			s.add(file, n.OpPos, fmt.Sprintf("%s becomes %s", from, to), func() { n.Op = to })
		}
	case *ast.IfStmt:
		s.add(file, n.Cond.Pos(), "the condition is turned", func() {
			n.Cond = &ast.UnaryExpr{Op: token.NOT, X: &ast.ParenExpr{X: n.Cond}}
		})
	case *ast.BasicLit:
		if v, err := strconv.Atoi(n.Value); n.Kind == token.INT && err == nil {
			s.add(file, n.Pos(), fmt.Sprintf("%d becomes %d", v, v+1), func() { n.Value = strconv.Itoa(v + 1) })
		}
	case *ast.BlockStmt:
		s.lines(file, n.List, func(i int) { n.List = slices.Delete(n.List, i, i+1) })
	case *ast.CaseClause:
		s.lines(file, n.Body, func(i int) { n.Body = slices.Delete(n.Body, i, i+1) })
	}
}

// lines adds a site for each statement of a list that can be left out.
func (s *source) lines(file string, list []ast.Stmt, drop func(i int)) {
	for i, stmt := range list {
		switch is := stmt.(type) {
		case *ast.ExprStmt, *ast.IncDecStmt:
		case *ast.AssignStmt:
			if is.Tok == token.DEFINE {
				continue
			}
		case *ast.BranchStmt:
			if is.Tok == token.FALLTHROUGH || is.Label != nil {
				continue
			}
		default:
			continue
		}
		s.add(file, stmt.Pos(), "the line is dropped", func() { drop(i) })
	}
}

// words reports whether an expression puts texts together.
func words(n *ast.BinaryExpr) bool {
	for _, side := range []ast.Expr{n.X, n.Y} {
		if lit, is := side.(*ast.BasicLit); is && lit.Kind == token.STRING {
			return true
		}
		if inner, is := side.(*ast.BinaryExpr); is && words(inner) {
			return true
		}
	}
	return false
}

// write puts the file as it is now at a place.
func (s *source) write(name string) error {
	var out bytes.Buffer
	if err := printer.Fprint(&out, s.set, s.tree); err != nil {
		return err
	}
	return os.WriteFile(name, out.Bytes(), 0o600)
}
