# Two commands do everything: `make demo` to look around, `make test` to check.
# Both install what they need; Go, Node with npm, and make must be there.

SHELL := /bin/bash
DEMO_DB := .demo/mill-house.db
DEMO_ADDR := 127.0.0.1:8580
TOOLS := go tool -modfile=tools/go.mod

.PHONY: help demo demo-reset build test check generate fresh bench chromium screenshots clean

help:
	@echo "make demo         build and start with the demo household on http://$(DEMO_ADDR)"
	@echo "make demo-reset   forget the edits made in the demo"
	@echo "make build        leave the binary in bin/inventory"
	@echo "make test         every check and test, the browser's included"
	@echo "make bench        the benchmarks that stand in docs/benchmarks.md"
	@echo "make generate     write the generated code anew"
	@echo "make screenshots  take the pictures in docs/screenshots anew"

demo: build
	@mkdir -p .demo
	@bin/inventory demo --db $(DEMO_DB) --addr $(DEMO_ADDR)

demo-reset:
	rm -f $(DEMO_DB) $(DEMO_DB)-shm $(DEMO_DB)-wal

build: bin/inventory

WEB_SOURCES := $(shell find web/src web/public -type f) web/index.html web/vite.config.ts web/package.json
GO_SOURCES := $(shell find cmd internal demo -type f -not -name '*_test.go') web/embed.go go.mod go.sum

web/node_modules/.installed: web/package.json web/package-lock.json
	cd web && npm ci --no-audit --no-fund --loglevel=error
	@touch $@

web/dist/index.html: web/node_modules/.installed $(WEB_SOURCES)
	rm -rf web/dist/assets
	cd web && npm run --silent build -- --logLevel warn

bin/inventory: web/dist/index.html $(GO_SOURCES)
	CGO_ENABLED=0 go build -trimpath -o $@ ./cmd/inventory

# The checks first, since they are quick, then the tests. The end-to-end tests
# drive bin/inventory in Chromium.
test: check chromium build
	go test -count=1 ./...

check: web/node_modules/.installed web/dist/index.html fresh
	@bad=$$(gofmt -l cmd internal demo e2e web/embed.go); if [ -n "$$bad" ]; then echo "not gofmt'ed: $$bad"; exit 1; fi
	go vet ./...
	$(TOOLS) staticcheck ./...
	cd web && npm run --silent check

# Generated code must be what its sources say.
fresh: web/node_modules/.installed
	@set -e; t=$$(mktemp -d); trap 'rm -rf $$t' EXIT; \
	mkdir -p $$t/internal/api $$t/internal/store $$t/api; \
	cp api/openapi.yaml api/oapi-codegen.yaml $$t/api/; cp -r internal/store/migrations internal/store/queries.sql internal/store/sqlc.yaml $$t/internal/store/; \
	(cd api && $(OAPI) -config $$t/api/oapi-codegen.yaml -o $$t/contract.gen.go openapi.yaml); \
	$(SQLC) generate -f $$t/internal/store/sqlc.yaml; \
	(cd web && npx --no-install openapi-typescript ../api/openapi.yaml -o $$t/schema.gen.ts >/dev/null 2>&1); \
	diff -u internal/api/contract.gen.go $$t/contract.gen.go && diff -ru internal/store/gen $$t/internal/store/gen && diff -u web/src/lib/schema.gen.ts $$t/schema.gen.ts \
	|| { echo "generated code is stale: run make generate"; exit 1; }

OAPI := go tool -modfile=$(CURDIR)/tools/go.mod oapi-codegen
SQLC := CGO_ENABLED=0 go tool -modfile=$(CURDIR)/tools/go.mod sqlc

generate: web/node_modules/.installed
	cd api && $(OAPI) -config oapi-codegen.yaml openapi.yaml
	cd internal/store && rm -rf gen && $(SQLC) generate
	cd web && npm run --silent types

bench: build
	go test -run xxx -bench . -benchmem ./internal/core/plan ./internal/api ./cmd/inventory

# Debian's Chromium, for the end-to-end tests; nothing is downloaded besides.
chromium:
	@command -v chromium >/dev/null || { \
	  sudo=; [ "$$(id -u)" = 0 ] || sudo=sudo; \
	  $$sudo apt-get update -qq && DEBIAN_FRONTEND=noninteractive $$sudo apt-get install -y -qq chromium; }

screenshots: chromium build
	INVENTORY_SCREENSHOTS=$(CURDIR)/docs/screenshots go test -count=1 -run TestScreenshots ./e2e

clean:
	rm -rf bin web/dist/assets web/dist/index.html web/dist/icon.svg
