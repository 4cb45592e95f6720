package plan

// reach are the least and the largest length, over the optimal one, that each region has in the library's exercises that work it hard: what
// training can reach of it. Thirds of the whole length that anatomy allows would have a long end that no exercise ever loads. A test makes
// the table again and holds it against this one.
var reach = map[string][2]float64{
	"adductor.front":        {0.78, 1.26},
	"adductor.magnus":       {0.43, 1.16},
	"biceps":                {0.45, 1.26},
	"brachialis":            {0.65, 1.25},
	"brachioradialis":       {0.62, 1.27},
	"calf.gastrocnemius":    {0.54, 1.34},
	"calf.soleus":           {0.33, 1.13},
	"coracobrachialis":      {0.84, 1.28},
	"deltoid.anterior":      {0.50, 1.06},
	"deltoid.middle":        {0.63, 1.10},
	"deltoid.posterior":     {0.79, 1.21},
	"erectors":              {0.80, 1.23},
	"gluteus.maximus":       {0.40, 1.33},
	"gluteus.medius":        {0.56, 0.95},
	"hamstrings":            {0.39, 1.45},
	"latissimus.lower":      {0.73, 1.09},
	"latissimus.upper":      {0.80, 1.07},
	"pectoralis.clavicular": {0.72, 1.36},
	"pectoralis.costal":     {0.58, 1.17},
	"pectoralis.sternal":    {0.66, 1.20},
	"pectoralisMinor":       {0.93, 0.98},
	"pronators":             {0.76, 1.07},
	"quadriceps":            {0.50, 1.42},
	"supinator":             {1.00, 1.00},
	"tensor":                {0.64, 1.05},
	"teres.major":           {0.66, 1.15},
	"tibialis":              {0.85, 1.33},
	"trapezius.lower":       {0.88, 0.88},
	"trapezius.upper":       {0.64, 1.06},
	"triceps":               {0.64, 1.13},
}

// Reach is the range of lengths that training reaches of a region, over the optimal one; false where no exercise works it hard.
func Reach(region string) (low, high float64, known bool) {
	r, known := reach[region]
	return r[0], r[1], known
}
