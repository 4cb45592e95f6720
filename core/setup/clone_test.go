package setup_test

import (
	"reflect"
	"testing"

	"dialarc/core/setup"
)

// A clone shares nothing with its document: of one in which everything is set, every pointer, list and map is another.
func TestCloneSharesNothing(t *testing.T) {
	var d setup.Document
	fill(reflect.ValueOf(&d).Elem())
	c := d.Clone()
	if !reflect.DeepEqual(d, c) {
		t.Fatal("the clone is not equal")
	}
	own := map[uintptr]string{}
	references(reflect.ValueOf(d), "document", own)
	theirs := map[uintptr]string{}
	references(reflect.ValueOf(c), "document", theirs)
	if len(own) < 30 {
		t.Errorf("only %d references are looked at", len(own))
	}
	for at, path := range theirs {
		if own[at] != "" {
			t.Errorf("%s is shared", path)
		}
	}
}

// fill sets everything in a value: pointers to something, lists and maps of one entry.
func fill(v reflect.Value) {
	switch v.Kind() {
	case reflect.Pointer:
		v.Set(reflect.New(v.Type().Elem()))
		fill(v.Elem())
	case reflect.Slice:
		v.Set(reflect.MakeSlice(v.Type(), 1, 1))
		fill(v.Index(0))
	case reflect.Map:
		key, value := reflect.New(v.Type().Key()).Elem(), reflect.New(v.Type().Elem()).Elem()
		fill(key)
		fill(value)
		v.Set(reflect.MakeMap(v.Type()))
		v.SetMapIndex(key, value)
	case reflect.Struct:
		for i := range v.NumField() {
			fill(v.Field(i))
		}
	case reflect.String:
		v.SetString("x")
	case reflect.Float64:
		v.SetFloat(1)
	case reflect.Int:
		v.SetInt(1)
	case reflect.Bool:
		v.SetBool(true)
	}
}

// references collects the addresses of what a value refers to, with their paths.
func references(v reflect.Value, path string, out map[uintptr]string) {
	switch v.Kind() {
	case reflect.Pointer:
		out[v.Pointer()] = path
		references(v.Elem(), path, out)
	case reflect.Slice:
		out[v.Pointer()] = path
		for i := range v.Len() {
			references(v.Index(i), path+"[]", out)
		}
	case reflect.Map:
		out[v.Pointer()] = path
		for _, key := range v.MapKeys() {
			references(v.MapIndex(key), path+"[]", out)
		}
	case reflect.Struct:
		for i := range v.NumField() {
			references(v.Field(i), path+"."+v.Type().Field(i).Name, out)
		}
	}
}
