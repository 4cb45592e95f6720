package httpapi

import (
	"context"
	"fmt"
	"net/http"
	"strings"
	"time"

	"dialarc/core/plan"

	ics "github.com/arran4/golang-ical"
	"github.com/danielgtaylor/huma/v2"
)

type calendarOutput struct {
	ContentType string `header:"Content-Type"`
	Disposition string `header:"Content-Disposition"`
	Body        []byte
}

func (s *Server) registerCalendar(api huma.API) {
	huma.Register(api, huma.Operation{OperationID: "blockCalendar", Method: http.MethodGet, Path: "/api/blocks/{id}/calendar",
		Summary: "The days of a block as iCalendar (RFC 5545), one event a day", Errors: []int{404, 503}},
		func(ctx context.Context, in *idInput) (*calendarOutput, error) {
			row, err := s.Store.Blocks().Read(ctx, s.Coach.ID, in.ID)
			if err != nil {
				return nil, failed(err, "block", nil)
			}
			var b plan.Block
			if why := readStored("block", row.ID, row.Document, &b); why != "" {
				return nil, newFailure(http.StatusNotFound, why)
			}
			return &calendarOutput{"text/calendar; charset=utf-8", `attachment; filename="plan.ics"`, []byte(calendarOf(&b, row.ID, row.UpdatedAt))}, nil
		})
}

// calendarOf is every day of a block that has a weekday, in every week, as an event of a whole day with its exercises.
func calendarOf(b *plan.Block, id string, changed time.Time) string {
	c := ics.NewCalendar()
	c.SetProductId("-//Dial Arc//Plan//EN")
	c.SetMethod(ics.MethodPublish)
	c.SetXWRCalName(b.Name)
	start, err := time.Parse(time.DateOnly, b.Start)
	if err != nil {
		return c.Serialize()
	}
	monday := start.AddDate(0, 0, -(int(start.Weekday())+6)%7)
	for week := 1; week <= b.Weeks; week++ {
		for k := range b.Days {
			d := &b.Days[k]
			at := monday.AddDate(0, 0, 7*(week-1)+d.Weekday-1)
			if d.Weekday == 0 || at.Before(start) {
				continue
			}
			e := c.AddEvent(fmt.Sprintf("%s-%d-%d@dialarc", id, week, k))
			e.SetDtStampTime(changed)
			e.SetAllDayStartAt(at)
			e.SetAllDayEndAt(at.AddDate(0, 0, 1))
			e.SetSummary(fmt.Sprintf("%s: day %s, week %d", b.Name, d.Name, week))
			e.SetDescription(strings.Join(exercises(b, d, week), "\n"))
		}
	}
	return c.Serialize()
}

// exercises are those of a day in a week, a line each.
func exercises(b *plan.Block, d *plan.Day, week int) []string {
	var out []string
	for i := range d.Entries {
		e := &d.Entries[i]
		more := int(b.More(week))
		out = append(out, fmt.Sprintf("%s: %d sets of %d to %d, %d to %d in reserve", e.Document.Name, b.SetsIn(e, week), e.RepsFrom, e.RepsTo,
			e.RIRFrom+more, e.RIRTo+more))
	}
	return out
}
