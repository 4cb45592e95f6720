package evaluate

// KneecapShare lets its test at the curve.
var KneecapShare = kneecapShare
