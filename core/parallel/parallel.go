// Package parallel does independent pieces of work on all processors.
package parallel

import (
	"context"
	"runtime"
	"sync"
)

// Workers is how many pieces of work go on at once.
func Workers() int { return runtime.GOMAXPROCS(0) }

// Each does n pieces of work on all processors, each by one of the workers, which are numbered from 0. After a piece done is called
// with how many there are by then, from one goroutine at a time. It stops handing out when the context ends, with its error, and
// returns when nothing goes on any more.
func Each(ctx context.Context, n int, work func(worker, i int), done func(count int)) error {
	next := make(chan int)
	var wait sync.WaitGroup
	var mu sync.Mutex
	count := 0
	for w := range Workers() {
		wait.Go(func() {
			for i := range next {
				work(w, i)
				mu.Lock()
				count++
				done(count)
				mu.Unlock()
			}
		})
	}
	var stopped error
	for i := range n {
		if stopped = ctx.Err(); stopped != nil {
			break
		}
		next <- i
	}
	close(next)
	wait.Wait()
	return stopped
}
