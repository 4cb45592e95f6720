package parallel_test

import (
	"context"
	"errors"
	"slices"
	"sync/atomic"
	"testing"

	"dialarc/core/parallel"
)

// Every piece is done once, each by a worker that does one thing at a time, and the counts are told in order.
func TestEveryPieceOnce(t *testing.T) {
	const n = 500
	times := make([]int32, n)
	busy := make([]atomic.Bool, parallel.Workers())
	var told []int
	err := parallel.Each(context.Background(), n, func(w, i int) {
		if busy[w].Swap(true) {
			t.Errorf("worker %d does two things at once", w)
		}
		atomic.AddInt32(&times[i], 1)
		busy[w].Store(false)
	}, func(count int) { told = append(told, count) })
	if err != nil {
		t.Fatal(err)
	}
	for i, k := range times {
		if k != 1 {
			t.Errorf("piece %d was done %d times", i, k)
		}
	}
	if !slices.IsSorted(told) || len(told) != n || told[n-1] != n {
		t.Errorf("%d counts were told, the last %d", len(told), told[len(told)-1])
	}
}

// Called off half way it ends with the context's error and leaves the rest undone; nothing goes on after it has returned. Pieces
// after the one that calls off wait for it, so that no more of them can have begun than there are workers, and one that was being
// handed over.
func TestCalledOff(t *testing.T) {
	const last = 20
	ctx, stop := context.WithCancel(context.Background())
	var done atomic.Int32
	err := parallel.Each(ctx, 1_000_000, func(_, i int) {
		switch {
		case i == last:
			stop()
		case i > last:
			<-ctx.Done()
		}
		done.Add(1)
	}, func(int) {})
	after, most := int(done.Load()), last+1+parallel.Workers()
	if !errors.Is(err, context.Canceled) || after < last+1 || after > most {
		t.Errorf("%v after %d pieces, expected %d to %d", err, after, last+1, most)
	}
	if err := parallel.Each(context.Background(), 0, func(_, _ int) { t.Error("there is nothing to do") }, func(int) {}); err != nil {
		t.Error(err)
	}
}
