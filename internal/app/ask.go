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
	over    chan struct{} // closed when it is answered
	answer  any
	err     error
	waiting int // how many wait for it
	done    int // how much of the work is done
	of      int // of so much; 0: not known
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
		in = &inquiry{over: make(chan struct{}), end: end}
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
			close(in.over)
			end()
		}()
	}
	in.waiting++
	a.questions.mu.Unlock()
	select {
	case <-in.over:
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

// tried returns what an inquiry tells how far it has come.
func (q *questions) tried(what string, of *Planned) ground.Tried {
	about := question{what, of.Snapshot.Revision, of.Today}
	return func(done, all int) {
		q.mu.Lock()
		defer q.mu.Unlock()
		if in := q.open[about]; in != nil {
			in.done, in.of = done, all
		}
	}
}

// ofGround names the question of what would make the shortage of ground less.
const ofGround = "ground"

// Progress returns how many of the changes that may make the shortage of ground less have
// been tried; of is 0 where none is.
func (a *App) Progress(ctx context.Context) (done, of int, err error) {
	now, err := a.Begun(ctx)
	if err != nil {
		return 0, 0, err
	}
	a.questions.mu.Lock()
	defer a.questions.mu.Unlock()
	if in := a.questions.open[question{ofGround, now.Snapshot.Revision, now.Today}]; in != nil {
		return in.done, in.of, nil
	}
	return 0, 0, nil
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
		case <-in.over:
			if old.revision != about.revision || old.day != about.day {
				delete(q.open, old)
			}
		default: // somebody waits for it still
		}
	}
}

// Trouble is what remedies are asked for: the gaps of a wish, a week with too much putting
// up, a better layout of what is planned, or, where none is named, the shortage of ground.
type Trouble struct {
	Wish   string
	Week   *int
	Layout bool
}

// Remedies returns what would mend a trouble, each with its effect, the best first.
func (a *App) Remedies(ctx context.Context, of Trouble) ([]plan.Remedy, error) {
	if of.Wish == "" && of.Week == nil {
		l, err := a.Layout(ctx)
		if err != nil {
			return nil, err
		}
		if of.Layout {
			return ask(ctx, a, "layout", l.Of, func(ctx context.Context) ([]plan.Remedy, error) {
				return ground.Better(ctx, l.Of.Input, l.Input, l.Layout)
			})
		}
		return ask(ctx, a, ofGround, l.Of, func(ctx context.Context) ([]plan.Remedy, error) {
			return ground.Remedies(ctx, l.Of.Input, l.Of.Plan, l.Input, l.Layout, a.questions.tried(ofGround, l.Of))
		})
	}
	now, err := a.Begun(ctx)
	if err != nil {
		return nil, err
	}
	if of.Week != nil {
		return ask(ctx, a, fmt.Sprint("week ", *of.Week), now, func(ctx context.Context) ([]plan.Remedy, error) {
			return plan.KitchenRemedies(ctx, now.Input, *of.Week)
		})
	}
	return ask(ctx, a, "wish "+of.Wish, now, func(ctx context.Context) ([]plan.Remedy, error) {
		list, err := plan.Remedies(ctx, now.Input, of.Wish)
		if err != nil || len(list) == 0 || len(now.Snapshot.Household.Beds) == 0 {
			return list, err
		}
		l, err := a.layoutOf(now)
		if err != nil {
			return nil, err
		}
		return ground.WithGround(ctx, now.Input, now.Plan, l.Input, l.Layout, list)
	})
}
