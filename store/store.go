// Package store is the only place that knows PostgreSQL. It keeps projects,
// their log, their things and chunks, and blobs by the SHA-256 sum of what
// they hold. Bytes stand once, in blobs; the model of a document is not
// written a second time here.
package store

import (
	"context"
	"errors"
	"fmt"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgxpool"
	"github.com/jackc/pgx/v5/stdlib"
	"gorm.io/driver/postgres"
	"gorm.io/gorm"
	"gorm.io/gorm/clause"
	"gorm.io/gorm/logger"

	"azzel/core/edit"
	"azzel/core/world"
)

// ErrNotFound is reported for a project, session or blob that is not there.
var ErrNotFound = errors.New("it is not there")

// A Store is a connection to the database. It may be used by many goroutines.
type Store struct {
	db    *gorm.DB
	pool  *pgxpool.Pool
	watch watch
}

// connections is how many connections a store has at most, besides the one that watches.
const connections = 12

// Options say how a store is opened. The zero value is a program that runs beside a server.
type Options struct {
	// Name is what the database knows the program as.
	Name string
	// Locate gives the port at which the database is now, before each connection; nil if it stays where it is.
	Locate func() (port uint16, err error)
}

// Open connects to the database and brings its tables up to date.
func Open(ctx context.Context, url string, options Options) (*Store, error) {
	config, err := pgxpool.ParseConfig(url)
	if err != nil {
		return nil, fmt.Errorf("reading the database's address: %w", err)
	}
	config.MaxConns = connections
	if options.Name != "" {
		config.ConnConfig.RuntimeParams["application_name"] = options.Name
	}
	config.BeforeConnect = func(_ context.Context, c *pgx.ConnConfig) error { return locate(c, options) }
	pool, err := pgxpool.NewWithConfig(ctx, config)
	if err != nil {
		return nil, fmt.Errorf("reading the database's address: %w", err)
	}
	db, err := gorm.Open(postgres.New(postgres.Config{Conn: stdlib.OpenDBFromPool(pool)}), &gorm.Config{
		Logger: logger.Discard, TranslateError: true, SkipDefaultTransaction: true,
	})
	if err != nil {
		pool.Close()
		return nil, fmt.Errorf("connecting to the database: %w", err)
	}
	s := &Store{db: db, pool: pool, watch: watch{config: config.ConnConfig, options: options, held: map[int64]bool{}}}
	if err := s.migrate(ctx); err != nil {
		s.Close()
		return nil, err
	}
	return s, nil
}

// Close ends all connections.
func (s *Store) Close() {
	s.watch.close()
	s.pool.Close()
}

// Project is a project as it is listed.
type Project struct {
	ID        int64 `gorm:"primaryKey"`
	Name      string
	Revision  int64
	Next      int
	NextTile  int
	CreatedAt time.Time
	ChangedAt time.Time
	// DeletedAt is when it was deleted, nil if it was not.
	DeletedAt *time.Time
	// Shortened is the last revision up to which steps may be gone from the log.
	Shortened int64
}

type logRow struct {
	ProjectID int64
	Revision  int64
	Session   int64
	Sequence  int64
	Label     string
	Undoes    int64
	Body      []byte
	Inverse   []byte
	At        time.Time
}

func (logRow) TableName() string { return "log" }

type entityRow struct {
	ProjectID int64
	Kind      int
	ID        int64 `gorm:"primaryKey;autoIncrement:false"`
	MapID     int64
	Name      string
	Format    int
	Revision  int64
	Hash      []byte
}

func (entityRow) TableName() string { return "entities" }

type chunkRow struct {
	ProjectID int64
	LayerID   int64
	MapID     int64
	X         int
	Y         int
	Hash      []byte
}

func (chunkRow) TableName() string { return "chunks" }

type blobRow struct {
	Hash      []byte
	Body      []byte
	CreatedAt time.Time
}

func (blobRow) TableName() string { return "blobs" }

type sessionRow struct {
	ProjectID int64
	ID        int64 `gorm:"primaryKey;autoIncrement:false"`
	Sequence  int64
}

func (sessionRow) TableName() string { return "sessions" }

// Projects lists all projects, the one changed last first.
func (s *Store) Projects(ctx context.Context) ([]Project, error) {
	var list []Project
	err := s.db.WithContext(ctx).Order("changed_at DESC, id DESC").Limit(1000).Find(&list, "deleted_at IS NULL").Error
	return list, wrap(err, "listing projects")
}

// Project finds a project that is not deleted.
func (s *Store) Project(ctx context.Context, id int64) (Project, error) {
	var p Project
	err := s.db.WithContext(ctx).Take(&p, "id = ? AND deleted_at IS NULL", id).Error
	return p, wrap(err, "finding the project")
}

// Create stores a new project, with the blobs that it needs.
func (s *Store) Create(ctx context.Context, d *world.Document, blobs ...[]byte) (Project, error) {
	now := time.Now()
	p := Project{Name: d.Project.Name, Next: d.Next(), NextTile: d.TilesEnd(), CreatedAt: now, ChangedAt: now}
	err := s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := tx.Create(&p).Error; err != nil {
			return err
		}
		if len(blobs) > 0 {
			if _, err := addBlobs(tx, p.ID, blobs); err != nil {
				return err
			}
		}
		return write(tx, p.ID, 0, world.Diff(&world.Document{}, d))
	})
	return p, wrap(err, "storing a new project")
}

// Prefix gives a number that begins new ids; no two calls give the same.
func (s *Store) Prefix(ctx context.Context) (uint32, error) {
	var n int64
	err := s.db.WithContext(ctx).Raw("SELECT nextval('id_prefixes')").Scan(&n).Error
	return uint32(n), wrap(err, "giving out ids")
}

// Session finds the last sequence number of a session, and makes the session
// if there is none.
func (s *Store) Session(ctx context.Context, project, session int64) (sequence uint64, err error) {
	row := sessionRow{ProjectID: project, ID: session}
	db := s.db.WithContext(ctx)
	if err := db.Clauses(clause.OnConflict{DoNothing: true}).Create(&row).Error; err != nil {
		return 0, wrap(err, "beginning a session")
	}
	err = db.Raw(`SELECT GREATEST(sequence, (SELECT max(sequence) FROM log WHERE project_id = ? AND session = ?))
		FROM sessions WHERE project_id = ? AND id = ?`, project, session, project, session).Scan(&sequence).Error
	return sequence, wrap(err, "finding a session")
}

// Earlier finds a session's step: its revision and inverse, ErrNotFound if it
// was refused or never came.
func (s *Store) Earlier(ctx context.Context, project, session int64, sequence uint64) (revision uint64, inverse []edit.Part, err error) {
	var row logRow
	err = s.db.WithContext(ctx).Take(&row, "project_id = ? AND session = ? AND sequence = ?", project, session, int64(sequence)).Error
	if err != nil {
		return 0, nil, wrap(err, "finding a step")
	}
	inverse, err = edit.DecodeParts(row.Inverse)
	return uint64(row.Revision), inverse, wrap(err, "reading a step")
}

// A Logged is a step as the log has it.
type Logged struct {
	Revision uint64
	Session  int64
	Sequence uint64
	Body     []byte
}

// Since lists the steps after a revision, oldest first: at most so many, and about so many bytes of them, but one at
// least if there is any.
func (s *Store) Since(ctx context.Context, project int64, revision uint64, most, bytes int) ([]Logged, error) {
	var rows []logRow
	// The sizes are known without reading what they are of.
	err := s.db.WithContext(ctx).Raw(`SELECT revision, session, sequence, body FROM log WHERE project_id = ? AND revision > ? AND revision <= (
		SELECT max(revision) FROM (SELECT revision, sum(octet_length(body)) OVER (ORDER BY revision) - octet_length(body) AS before
			FROM (SELECT revision, body FROM log WHERE project_id = ? AND revision > ? ORDER BY revision LIMIT ?) AS near) AS sized WHERE before < ?)
		ORDER BY revision`, project, int64(revision), project, int64(revision), most, bytes).Scan(&rows).Error
	list := make([]Logged, len(rows))
	for i, r := range rows {
		list[i] = Logged{uint64(r.Revision), r.Session, uint64(r.Sequence), r.Body}
	}
	return list, wrap(err, "reading the log")
}

// Behind is how far a page that knows a revision is behind the log: how many steps follow it, how many bytes they have,
// and whether none of them is gone from the log.
func (s *Store) Behind(ctx context.Context, project int64, revision uint64) (steps, bytes int64, whole bool, err error) {
	var row struct {
		Steps, Bytes, Shortened int64
	}
	err = s.db.WithContext(ctx).Raw(`SELECT count(l.revision) AS steps, COALESCE(sum(octet_length(l.body)), 0) AS bytes, p.shortened
		FROM projects p LEFT JOIN log l ON l.project_id = p.id AND l.revision > ? WHERE p.id = ? GROUP BY p.id`, int64(revision), project).Scan(&row).Error
	return row.Steps, row.Bytes, row.Shortened <= int64(revision), wrap(err, "measuring the log")
}

// Reversible is a step that a session can take back, without its Inverse.
type Reversible struct {
	edit.Record
	// Bytes is how many bytes its Inverse has.
	Bytes int
}

// Reversible lists the steps of a session before one of them (0 for all), oldest first: at most the last most of those
// and about bytes of what takes them back, but one at least if there is any. Only sizes are read of what takes them back.
func (s *Store) Reversible(ctx context.Context, project, session int64, before uint64, most, bytes int) ([]Reversible, error) {
	if before == 0 {
		before = 1<<63 - 1
	}
	var rows []struct {
		Sequence, Undoes int64
		Label            string
		Bytes            int
	}
	err := s.db.WithContext(ctx).Raw(`SELECT sequence, undoes, label, bytes FROM (
			SELECT *, sum(bytes) OVER (ORDER BY sequence DESC) AS until, row_number() OVER (ORDER BY sequence DESC) AS n
			FROM (SELECT sequence, undoes, label, octet_length(inverse) AS bytes FROM log WHERE project_id = ? AND session = ? AND sequence < ? ORDER BY sequence DESC LIMIT ?) AS near
		) AS sized WHERE until <= ? OR n = 1 ORDER BY sequence`, project, session, int64(before), most, bytes).Scan(&rows).Error
	if err != nil {
		return nil, wrap(err, "reading what a session did")
	}
	steps := make([]Reversible, len(rows))
	for i, r := range rows {
		steps[i] = Reversible{edit.Record{Sequence: uint64(r.Sequence), Undoes: uint64(r.Undoes), Label: r.Label}, r.Bytes}
	}
	return steps, nil
}

// Inverses reads what takes back the steps of a session that Reversible listed one after the other, in their order. It
// reports ErrNotFound if one of them has been taken out of the log since.
func (s *Store) Inverses(ctx context.Context, project, session int64, steps []Reversible) ([][]byte, error) {
	if len(steps) == 0 {
		return nil, nil
	}
	var rows []logRow
	err := s.db.WithContext(ctx).Select("sequence", "inverse").Order("sequence").
		Find(&rows, "project_id = ? AND session = ? AND sequence BETWEEN ? AND ?", project, session, int64(steps[0].Sequence), int64(steps[len(steps)-1].Sequence)).Error
	if err != nil {
		return nil, wrap(err, "reading what takes steps back")
	}
	if len(rows) != len(steps) {
		return nil, wrap(ErrNotFound, "reading what takes steps back")
	}
	inverses := make([][]byte, len(rows))
	for i, r := range rows {
		if len(r.Inverse) != steps[i].Bytes {
			return nil, wrap(ErrNotFound, "reading what takes steps back")
		}
		inverses[i] = r.Inverse
	}
	return inverses, nil
}

func wrap(err error, doing string) error {
	if err == nil {
		return nil
	}
	if errors.Is(err, gorm.ErrRecordNotFound) {
		return fmt.Errorf("%s: %w", doing, ErrNotFound)
	}
	return fmt.Errorf("%s: %w", doing, err)
}
