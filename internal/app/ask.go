package app

import (
	"context"
	"fmt"
	"sync"

	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/plan"
)

// questions are those that take long. The same question asked twice at one revision is
// worked out once; it ends when nobody waits for it any longer.
type questions struct {
	mu   sync.Mutex
	open map[question]*inquiry
}

// question names what is asked, and of what.
type question struct {
	what     string
	revision int
	day      civil.Date
}

// inquiry is a question being worked out.
type inquiry struct {
	done    chan struct{} // closed when it is answered
	answer  any
	err     error
	waiting int // who waits for it
	end     context.CancelFunc
}

// ask returns the answer to a question, working it out where nobody has asked it yet. The
// error is the context's where the asker gives up.
func ask[T any](ctx context.Context, a *App, what string, of *Planned, work func(context.Context) (T, error)) (out T, err error) {
	q := question{what, of.Snapshot.Revision, of.Today}
	a.questions.mu.Lock()
	if a.questions.open == nil {
		a.questions.open = map[question]*inquiry{}
	}
	in := a.questions.open[q]
	if in == nil {
		working, end := context.WithCancel(context.WithoutCancel(ctx))
		in = &inquiry{done: make(chan struct{}), end: end}
		a.questions.open[q] = in
		a.questions.forget(q)
		go func() {
			answer, err := work(working)
			a.questions.mu.Lock()
			in.answer, in.err = answer, err
			if err != nil { // what failed or was given up is asked again
				a.questions.drop(q, in)
			}
			a.questions.mu.Unlock()
			close(in.done)
			end()
		}()
	}
	in.waiting++
	a.questions.mu.Unlock()
	select {
	case <-in.done:
		if in.err != nil {
			return out, in.err
		}
		return in.answer.(T), nil
	case <-ctx.Done():
		a.questions.mu.Lock()
		if in.waiting--; in.waiting == 0 { // nobody waits: the work ends
			in.end()
			a.questions.drop(q, in)
		}
		a.questions.mu.Unlock()
		return out, ctx.Err()
	}
}

// drop forgets an inquiry.
func (q *questions) drop(about question, in *inquiry) {
	if q.open[about] == in {
		delete(q.open, about)
	}
}

// forget drops the answers about other revisions: only the newest is asked about.
func (q *questions) forget(about question) {
	for old, in := range q.open {
		select {
		case <-in.done:
			if old.revision != about.revision || old.day != about.day {
				delete(q.open, old)
			}
		default: // somebody waits for it still
		}
	}
}

// WishRemedies returns how the gaps of a wish could be filled.
func (a *App) WishRemedies(ctx context.Context, wish string) ([]plan.Remedy, error) {
	now, err := a.Begun(ctx)
	if err != nil {
		return nil, err
	}
	return ask(ctx, a, "wish "+wish, now, func(ctx context.Context) ([]plan.Remedy, error) { return plan.Remedies(ctx, now.Input, wish) })
}

// KitchenRemedies returns what would help where a week has too much to put up.
func (a *App) KitchenRemedies(ctx context.Context, week int) ([]plan.Remedy, error) {
	now, err := a.Begun(ctx)
	if err != nil {
		return nil, err
	}
	return ask(ctx, a, fmt.Sprint("week ", week), now, func(ctx context.Context) ([]plan.Remedy, error) {
		return plan.KitchenRemedies(ctx, now.Input, week)
	})
}

// GroundRemedies returns what would make a shortage of bed space less.
func (a *App) GroundRemedies(ctx context.Context) ([]ground.Remedy, error) {
	l, err := a.Layout(ctx)
	if err != nil {
		return nil, err
	}
	return ask(ctx, a, "ground", l.Of, func(ctx context.Context) ([]ground.Remedy, error) {
		return ground.Remedies(ctx, l.Of.Input, l.Of.Plan, l.Input, l.Layout)
	})
}
