package httpapi

import (
	"context"
	"encoding/json"
	"errors"
	"log/slog"
	"math"
	"net/http"
	"reflect"
	"strings"

	"dialarc/core/setup"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
	"github.com/jackc/pgx/v5/pgconn"
)

// Failure is a problem detail (RFC 9457) with what is wrong in a document, and with the row as it stands when a write
// was based on an older one.
type Failure struct {
	huma.ErrorModel
	Problems []setup.Problem `json:"problems,omitempty" doc:"What is wrong with the document, where, and what would be right."`
	Current  any             `json:"current,omitempty" doc:"The row as it stands, when the write was based on an older version."`
}

func newFailure(status int, message string, errs ...error) huma.StatusError {
	f := &Failure{ErrorModel: huma.ErrorModel{Status: status, Title: http.StatusText(status), Detail: message}}
	for _, err := range errs {
		if err == nil {
			continue
		}
		var detail huma.ErrorDetailer
		if errors.As(err, &detail) {
			d := detail.ErrorDetail()
			f.Problems = append(f.Problems, setup.Problem{Path: d.Location, What: d.Message})
			continue
		}
		f.Problems = append(f.Problems, setup.Problem{What: err.Error()})
	}
	if status == http.StatusRequestEntityTooLarge {
		f.Problems = setup.Problems{{What: "The request is too large.", Why: "A setup document has about 2 kB.",
			Hint: "Send one document of at most 1 MB."}}
	}
	return f
}

func refused(problems setup.Problems) error {
	f := newFailure(http.StatusUnprocessableEntity, problems[0].What).(*Failure)
	f.Problems = problems
	return f
}

// givenUp is the status of a request whose page was left, as nginx logs it: no fault of the server's, and seen by nobody.
const givenUp = 499

// failed turns an error of the store into an answer. The current row goes along with a conflict.
func failed(err error, what string, current func() any) error {
	switch {
	case err == nil:
		return nil
	case errors.Is(err, store.ErrNotFound):
		return newFailure(http.StatusNotFound, "There is no such "+what+".")
	case errors.Is(err, store.ErrAlone):
		return newFailure(http.StatusConflict, "The lifter of this "+what+" is deleted. Bring the lifter back first.")
	case errors.Is(err, store.ErrStale), errors.Is(err, store.ErrExists):
		f := newFailure(http.StatusConflict, "This "+what+" was changed in the meantime.").(*Failure)
		if current != nil {
			f.Current = current()
		}
		return f
	}
	if errors.Is(err, context.Canceled) {
		return newFailure(givenUp, "The request was given up before the database answered. Whether this was stored is not known; try again.")
	}
	slog.Error("the store failed", "error", err)
	var db *pgconn.PgError
	if errors.As(err, &db) {
		switch {
		case strings.HasPrefix(db.Code, "22"): // data exception
			return refused(setup.Problems{{Path: db.ColumnName, What: "The database cannot hold this: " + db.Message + ".",
				Hint: "Leave it out or write it otherwise."}})
		case db.Code == "53100":
			return newFailure(http.StatusInsufficientStorage, "The disk of the database is full. Nothing can be stored until there is room.")
		case db.Code == "57014" || db.Code == "55P03": // ended because it took too long, or waited too long for a lock
			return newFailure(http.StatusServiceUnavailable, "The database is busy and gave up on this. Nothing was changed; try again.")
		}
	}
	return newFailure(http.StatusServiceUnavailable,
		"The database does not answer. Whether this was stored is not known; try again: what was stored already is not stored twice.")
}

// decode reads a body into T, with every problem at its path.
func decode[T any](raw []byte) (T, error) {
	var v T
	if problems := setup.Shape(raw, reflect.TypeFor[T]()); len(problems) > 0 {
		return v, refused(problems)
	}
	if err := json.Unmarshal(raw, &v); err != nil {
		return v, refused(setup.Problems{{What: "The request cannot be read: " + err.Error() + "."}})
	}
	return v, nil
}

// takes describes a JSON body that a handler decodes itself, so that its problems are told at their paths.
func takes[T any](api huma.API, op huma.Operation) huma.Operation {
	op.RequestBody = &huma.RequestBody{Required: true, Content: map[string]*huma.MediaType{
		"application/json": {Schema: api.OpenAPI().Components.Schemas.Schema(reflect.TypeFor[T](), true, "")},
	}}
	op.MaxBodyBytes, op.SkipValidateBody = setup.MaxBytes, true
	return op
}

// versionProblem checks the version that a change is based on.
func versionProblem(version int) setup.Problems {
	if version < 0 || version > math.MaxInt32-1 {
		return setup.Problems{{Path: "version", What: "There is no such version.", Hint: "Give the one that the change is based on."}}
	}
	return nil
}

// nameProblem checks the name of a lifter or setup.
func nameProblem(path, name string) setup.Problems {
	switch n := len([]rune(name)); {
	case n == 0:
		return setup.Problems{{Path: path, What: "The name is empty.", Hint: "Give a name."}}
	case n > 200:
		return setup.Problems{{Path: path, What: "The name is longer than 200 characters.", Hint: "Give a shorter name."}}
	}
	return nil
}

func idProblem(path, id string, needed bool) setup.Problems {
	if isUUID(id) || (id == "" && !needed) {
		return nil
	}
	return setup.Problems{{Path: path, What: "This is not the id of anything.", Hint: "Ids are UUIDs, as in the lists."}}
}
