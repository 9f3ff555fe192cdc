# Two commands do everything: `make demo` to look around, `make test` to check.
# Both install what they need; Go, Node with npm, and make must be there.

SHELL := /bin/bash
DEMO_DB := .demo/mill-house.db
DEMO_ADDR := 127.0.0.1:8580

.PHONY: help demo demo-reset build test check generate fresh bench mutants chromium compiler screenshots clean

help:
	@echo "make demo         build and start with the demo household on http://$(DEMO_ADDR)"
	@echo "make demo-reset   forget the edits made in the demo"
	@echo "make build        leave the binary in bin/inventory"
	@echo "make test         every check and test, the browser's included"
	@echo "make bench        the benchmarks that stand in docs/benchmarks.md"
	@echo "make mutants      whether the tests notice small changes to rules"
	@echo "make generate     write the generated code anew"
	@echo "make screenshots  take the pictures in docs/screenshots anew"

demo: build
	@mkdir -p .demo
	@bin/inventory demo --db $(DEMO_DB) --addr $(DEMO_ADDR)

demo-reset:
	rm -f $(DEMO_DB) $(DEMO_DB)-shm $(DEMO_DB)-wal

build: bin/inventory

WEB_SOURCES := $(shell find web/src web/public -type f) web/index.html web/vite.config.ts web/pack.ts web/package.json
GO_SOURCES := $(shell find cmd internal demo api -type f -not -name '*_test.go') web/embed.go go.mod go.sum

web/node_modules/.installed: web/package.json web/package-lock.json
	cd web && npm ci --no-audit --no-fund --loglevel=error
	@touch $@

web/dist/index.html: web/node_modules/.installed $(WEB_SOURCES)
	rm -rf web/dist/assets
	cd web && npm run --silent build -- --logLevel warn

# The modules that the browser tests load by themselves; they are not shipped.
web/modules/modules.js: web/node_modules/.installed $(WEB_SOURCES) web/vite.modules.config.ts
	cd web && npm run --silent modules -- --logLevel warn

bin/inventory: web/dist/index.html $(GO_SOURCES)
	CGO_ENABLED=0 go build -trimpath -o $@ ./cmd/inventory

# The checks first, since they are quick, then the tests: the browser's, which drive
# bin/inventory in Chromium and mostly wait, beside the rest, which runs under the race
# detector. The fit of the ground runs on one core and shares nothing; under the detector
# its tests, and all that fit beds, take thirty times as long, so they run without it. Of the plan, the API and the files
# only what works on shared data at once runs under the detector; seasons are never changed once made. The store and the commands
# are used by several at once through the API alone, whose tests look for races. All have time enough on a loaded machine.
UNSHARED = inventory/cmd/inventory inventory/internal/store inventory/internal/core/ground inventory/internal/core/backwards inventory/internal/core/questions inventory/internal/golden inventory/internal/core/plan inventory/internal/api inventory/internal/words inventory/internal/exchange inventory/internal/core/season inventory/internal/core/yearend inventory/demo
SHARED = TestTwoEditAtOnce|TestAMemoryChangesNothing|TestPlansAtOnceShareOneMemory|TestManyEditAtOnce|Photograph
test: check chromium compiler build web/modules/modules.js
	@set -e; log=$$(mktemp); trap 'rm -f $$log' EXIT; \
	go test -count=1 -timeout 30m -parallel 3 ./e2e >$$log 2>&1 & browser=$$!; \
	go test -count=1 -timeout 30m -race $$(go list ./internal/... ./cmd/... ./demo/... ./api/... ./web | grep -vxF $(UNSHARED:%=-e %)) || failed=1; \
	go test -count=1 -timeout 30m -race -run '$(SHARED)' ./internal/core/plan ./internal/store ./internal/api ./internal/exchange || failed=1; \
	go test -count=1 -timeout 30m $(UNSHARED) || failed=1; \
	wait $$browser || failed=1; cat $$log; \
	[ -z "$$failed" ] || { echo "some tests failed"; exit 1; }

check: web/node_modules/.installed web/dist/index.html fresh
	@bad=$$(gofmt -l cmd internal demo e2e api web/*.go); if [ -n "$$bad" ]; then echo "not gofmt'ed: $$bad"; exit 1; fi
	go vet ./...
	bin/tools/staticcheck ./...
	cd web && npm run --silent check

# The generators, pinned in tools/go.mod and built once.
bin/tools/.built: tools/go.mod tools/go.sum
	CGO_ENABLED=0 go build -modfile=tools/go.mod -o bin/tools/ github.com/sqlc-dev/sqlc/cmd/sqlc \
	  github.com/oapi-codegen/oapi-codegen/v2/cmd/oapi-codegen honnef.co/go/tools/cmd/staticcheck
	@touch $@

# Thirty small changes to rules, each of which the tests of its room must catch.
mutants:
	go test -count=1 -tags mutants -timeout 60m -v ./internal/mutants

# Generated code must be what its sources say: it is written anew beside them
# and compared.
fresh: web/node_modules/.installed bin/tools/.built
	@set -e; t=$$(mktemp -d); trap 'rm -rf $$t' EXIT; tools=$(CURDIR)/bin/tools; \
	mkdir -p $$t/internal/api $$t/internal/store $$t/web/src/lib; \
	cp -r api $$t/; cp -r internal/store/migrations internal/store/queries.sql internal/store/sqlc.yaml $$t/internal/store/; \
	(cd $$t/api && $$tools/oapi-codegen -config oapi-codegen.yaml openapi.yaml); \
	(cd $$t/internal/store && $$tools/sqlc generate); \
	(cd web && npx --no-install openapi-typescript ../api/openapi.yaml -o $$t/web/src/lib/schema.gen.ts >/dev/null 2>&1); \
	for f in internal/api/contract.gen.go internal/store/gen web/src/lib/schema.gen.ts; do \
	  diff -ru $$f $$t/$$f || { echo "$$f is stale: run make generate"; exit 1; }; \
	done

generate: web/node_modules/.installed bin/tools/.built
	cd api && $(CURDIR)/bin/tools/oapi-codegen -config oapi-codegen.yaml openapi.yaml
	cd internal/store && rm -rf gen && $(CURDIR)/bin/tools/sqlc generate
	cd web && npm run --silent types

bench: build
	go test -run xxx -bench . -benchmem ./internal/core/plan ./internal/core/table ./internal/core/ground ./internal/core/backwards ./internal/api ./cmd/inventory ./e2e

# Debian's Chromium, for the end-to-end tests; nothing is downloaded besides.
chromium:
	@command -v chromium >/dev/null || { \
	  sudo=; [ "$$(id -u)" = 0 ] || sudo=sudo; \
	  $$sudo apt-get update -qq && DEBIAN_FRONTEND=noninteractive $$sudo apt-get install -y -qq chromium; }

# The race detector links with a C compiler.
compiler:
	@command -v gcc >/dev/null || command -v clang >/dev/null || { \
	  sudo=; [ "$$(id -u)" = 0 ] || sudo=sudo; \
	  $$sudo apt-get update -qq && DEBIAN_FRONTEND=noninteractive $$sudo apt-get install -y -qq gcc libc6-dev; }

screenshots: chromium build
	INVENTORY_SCREENSHOTS=$(CURDIR)/docs/screenshots go test -count=1 -run TestScreenshots ./e2e

clean:
	rm -rf bin web/dist/assets web/dist/index.html web/dist/icon.svg
