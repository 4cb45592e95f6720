# make demo   build everything and run it with the demo data
# make test   all checks, as in CI

GO_TAGS  := -tags nomsgpack
WASM_OUT := web/src/engine/built
CORE     := $(shell find core cmd/page internal/bridge -name '*.go' -not -name '*_test.go') go.mod go.sum
SERVER   := $(shell find internal cmd/dialarc -type f -not -path '*/dist/*' -not -name '*_test.go')
PAGE     := $(shell find web/src web/public -type f -not -path '*/built/*') web/index.html web/vite.config.ts web/tsconfig.json web/package.json

# What works on several things at once: only there can there be a race. Of the searches and rankings those tests are enough that do so with
# little else: the detector makes them ten times as slow. What stands in for devices runs under it in the tests of those.
SINGLE := ./cmd/dialarc ./internal/backup ./internal/bridge ./internal/demo ./internal/simulate ./internal/webui
SHARED  = ./core/parallel $(filter-out $(SINGLE:./%=dialarc/%),$(shell go list ./internal/...))
RACING := AnyProcessors|MapIsMade|RefusesAndStops|RankKnowsNoOrder

.PHONY: demo build release test browser core-tests style program-tests racing racing-searches generated referees journeys generate screenshots clean

demo: build
	@exec ./bin/dialarc demo

build:
	@./scripts/check-tools
	@./scripts/install-packages
	@$(MAKE) --no-print-directory bin/dialarc

# As build, with the page packed as small as it gets.
release:
	rm -f internal/webui/dist/index.html
	@PACKING=release $(MAKE) --no-print-directory build

web/node_modules/.installed: web/package-lock.json web/package.json
	cd web && npm ci --prefer-offline --no-progress
	@touch $@

$(WASM_OUT)/dialarc.wasm: $(CORE)
	@mkdir -p $(WASM_OUT)
	cp "$$(go env GOROOT)/lib/wasm/wasm_exec.js" $(WASM_OUT)/wasm_exec.js
	GOOS=js GOARCH=wasm go build $(GO_TAGS) -ldflags="-s -w" -o $@ ./cmd/page

internal/webui/dist/index.html: web/node_modules/.installed $(WASM_OUT)/dialarc.wasm $(PAGE)
	cd web && npm run --silent build

bin/dialarc: internal/webui/dist/index.html $(CORE) $(SERVER)
	go build $(GO_TAGS) -o $@ ./cmd/dialarc

# What is generated from the Go types; committed, and checked to be current by the tests.
generate:
	go run $(GO_TAGS) ./cmd/dialarc openapi > docs/openapi.json.new && mv docs/openapi.json.new docs/openapi.json
	for kind in setup block session; do \
		go run $(GO_TAGS) ./cmd/dialarc schema $$kind > docs/$$kind.schema.json.new && mv docs/$$kind.schema.json.new docs/$$kind.schema.json || exit 1; \
	done
	go run $(GO_TAGS) ./cmd/dialarc bridge > web/src/engine/bridge.gen.ts
	cd web && npm run --silent types && npx biome format --write src/api/schema.gen.ts src/engine/bridge.gen.ts >/dev/null

# What is checked by go vet is not checked again by go test.
TEST := go test $(GO_TAGS) -vet=off -timeout 20m

# Without inlining and without tables for debuggers everything is compiled for the race detector in two thirds of the time, and runs
# nearly as fast: the detector is what takes it.
RACE := $(TEST) -race -short -gcflags=all="-l -dwarf=false"

# The journeys take longest and wait for a page by the second, so what they need is made first. All else works in the time that they
# leave, a third of two processors, and gives way at once when a page has something to do.
ASIDE := nice -n 19

test:
	@./scripts/check-tools
	@./scripts/install-packages
	@$(MAKE) --no-print-directory -j3 --output-sync=target journeys core-tests style racing program-tests racing-searches generated referees

browser:
	@./scripts/install-packages browser

core-tests:
	$(ASIDE) $(TEST) ./core/...

style: internal/webui/dist/index.html
	@test -z "$$(gofmt -l cmd core internal test)" || { echo "not formatted:"; gofmt -l cmd core internal test; exit 1; }
	$(ASIDE) go vet $(GO_TAGS) ./...
	GOOS=js GOARCH=wasm $(ASIDE) go vet $(GO_TAGS) ./cmd/page
	$(ASIDE) go tool staticcheck $(GO_TAGS) ./...
	$(ASIDE) go tool gocyclo -over 18 -ignore '_test\.go' cmd core internal
	$(ASIDE) ./scripts/check-unused
	./scripts/check-lines
	cd web && $(ASIDE) npm run --silent lint

program-tests: bin/dialarc
	$(ASIDE) $(TEST) $(SINGLE)

racing: bin/dialarc
	$(ASIDE) $(RACE) $(SHARED)

racing-searches: bin/dialarc
	$(ASIDE) $(RACE) -run '$(RACING)' ./core/dialin ./core/compare

generated: bin/dialarc
	$(ASIDE) ./scripts/check-generated

test/reference/node_modules/.installed: test/reference/package-lock.json
	cd test/reference && npm ci --omit=optional --prefer-offline --no-progress
	@touch $@

referees: bin/dialarc test/reference/node_modules/.installed
	$(ASIDE) $(TEST) -count=1 ./test/reference

journeys: bin/dialarc browser
	$(TEST) -count=1 ./test/e2e

# Renews docs/screenshots from a running demo.
screenshots: bin/dialarc
	./scripts/screenshots

clean:
	rm -rf bin internal/webui/dist/* $(WASM_OUT) web/node_modules test/reference/node_modules
