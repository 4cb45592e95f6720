// Package httpapi offers the program over HTTP: one file per resource, each handler decoding, calling and encoding.
package httpapi

import (
	"log/slog"
	"net/http"
	"reflect"
	"runtime"
	"sync"
	"time"

	"dialarc/core/metric"
	"dialarc/core/plan"
	"dialarc/core/report"
	"dialarc/core/setup"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/adapters/humagin"
	"github.com/gin-gonic/gin"
)

// Server answers requests for one coach until there are accounts.
type Server struct {
	Store *store.Store
	Coach store.Coach
	// Ending is closed when the program is told to end: streams stop then, so that nothing waits for them. Nil for never.
	Ending <-chan struct{}
	// Devices are the measuring devices that the page may connect to.
	Devices []Device

	turns   *turns
	keeping sync.Mutex  // one at a time asks the keeper
	keeper  plan.Keeper // of what logged setups come to
}

// patience is how long a calculation waits for its turn.
const patience = 10 * time.Second

// Handler is the whole HTTP interface below /api.
func (s *Server) Handler() *gin.Engine {
	engine, _ := s.build()
	return engine
}

// OpenAPI is the description of the interface.
func OpenAPI() *huma.OpenAPI {
	_, api := (&Server{}).build()
	return api.OpenAPI()
}

func (s *Server) build() (*gin.Engine, huma.API) {
	s.turns = newTurns(runtime.GOMAXPROCS(0), patience)
	gin.SetMode(gin.ReleaseMode)
	huma.NewError = newFailure
	huma.DefaultArrayNullable = false
	engine := gin.New()
	engine.Use(gin.CustomRecovery(func(c *gin.Context, err any) {
		slog.Error("a request failed", "path", c.Request.URL.Path, "error", err)
		c.AbortWithStatusJSON(http.StatusInternalServerError, newFailure(http.StatusInternalServerError,
			"The server failed. Nothing was changed; try again."))
	}))
	config := huma.DefaultConfig("Dial Arc", "1")
	config.DocsPath = ""     // huma's page loads its script from outside
	config.CreateHooks = nil // no $schema in answers
	config.OpenAPIPath, config.SchemasPath = "/api/openapi", ""
	config.Info.Description = "Lifters, rooms, setups and their evaluation."
	config.Components.Schemas = huma.NewMapRegistry("#/components/schemas/", SchemaName)
	api := humagin.New(engine, config)
	registerTypes(api.OpenAPI().Components.Schemas)
	s.registerEvaluate(api)
	s.registerLifters(api)
	s.registerSetups(api)
	s.registerVersions(api)
	s.registerRooms(api)
	s.registerPeople(api)
	s.registerComparisons(api)
	s.registerBlocks(api)
	s.registerCalendar(api)
	s.registerSessions(api, engine)
	s.registerRecords(api)
	s.registerDevices(api)
	s.registerCaptures(api, engine)
	s.registerHealth(api)
	describeRawBodies(api.OpenAPI())
	describePage(api.OpenAPI().Components.Schemas)
	return engine, api
}

// describeRawBodies takes out what huma adds to the description of handlers that decode their body themselves.
func describeRawBodies(o *huma.OpenAPI) {
	for _, item := range o.Paths {
		for _, op := range []*huma.Operation{item.Post, item.Put} {
			if op != nil && op.RequestBody != nil {
				delete(op.RequestBody.Content, "application/octet-stream")
			}
		}
	}
}

// nullableNumbers describes report.Curve: numbers, null in a gap.
type nullableNumbers []float64

// Schema implements huma.SchemaProvider.
func (nullableNumbers) Schema(huma.Registry) *huma.Schema {
	return &huma.Schema{Type: huma.TypeArray, Items: &huma.Schema{Type: huma.TypeNumber, Nullable: true},
		Description: "One number per sample, null in a gap."}
}

type nullableBench struct{}

// Schema implements huma.SchemaProvider.
func (nullableBench) Schema(r huma.Registry) *huma.Schema {
	bench := *r.Schema(reflect.TypeFor[setup.Bench](), false, "")
	bench.Nullable, bench.Description = true, "The bench, or null."
	return &bench
}

// metricSchema is metric.Metric with a value that may be null.
type metricSchema struct{}

// Schema implements huma.SchemaProvider.
func (metricSchema) Schema(huma.Registry) *huma.Schema {
	return &huma.Schema{Type: huma.TypeObject, Required: []string{"value"}, Description: "A number that may be missing; then why says why.",
		Properties: map[string]*huma.Schema{
			"value": {Type: huma.TypeNumber, Nullable: true},
			"why":   {Type: huma.TypeString, Description: "Why there is none."},
		}}
}

func registerTypes(r huma.Registry) {
	r.RegisterTypeAlias(reflect.TypeFor[report.Curve](), reflect.TypeFor[nullableNumbers]())
	r.RegisterTypeAlias(reflect.TypeFor[metric.Metric](), reflect.TypeFor[metricSchema]())
	r.RegisterTypeAlias(reflect.TypeFor[*setup.Bench](), reflect.TypeFor[nullableBench]())
}
