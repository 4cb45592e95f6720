package setup

import (
	"bytes"
	"encoding/json"
	"strings"
)

// schema1 is the version before this one. Documents that carry it are read as what they say in the words of the present one.
const schema1 = "dialarc.setup/1"

// upgraded changes a decoded document of an earlier version to the present one, in place; any other is left alone.
func upgraded(d map[string]any) {
	if d["schema"] != schema1 {
		return
	}
	d["schema"] = Schema
	renamed(d, "room", "gym")
	renamed(d, "seen", "acknowledged")
	if target, ok := d["target"].(map[string]any); ok {
		renamed(target, "school", "profile")
	}
	if lifter, ok := d["lifter"].(map[string]any); ok {
		upgradedLifter(lifter)
	}
	if posture, ok := d["posture"].(map[string]any); ok {
		renamed(posture, "held", "restraints")
		renamed(posture, "handAt", "supportHand")
	}
	if movement, ok := d["movement"].(map[string]any); ok {
		movement["primary"] = presentCoordinate(movement["primary"])
		if movement["primary"] == nil {
			delete(movement, "primary")
		}
		upgradedPose(movement["hold"])
		frames, _ := movement["keyframes"].([]any)
		for _, f := range frames {
			if frame, ok := f.(map[string]any); ok {
				upgradedPose(frame["pose"])
			}
		}
	}
	loads, _ := d["loads"].([]any)
	for _, l := range loads {
		if load, ok := l.(map[string]any); ok {
			upgradedLoad(load)
		}
	}
}

// upgradedLifter does the same for a lifter, who carries no version: it is told by the old names.
func upgradedLifter(l map[string]any) {
	renamed(l, "stature", "height")
	renamed(l, "mass", "bodyMass")
	upgradedPose(l["ranges"])
}

func upgradedLoad(l map[string]any) {
	switch l["kind"] {
	case "strands":
		l["kind"] = string(Rope)
	case "ownBody":
		l["kind"] = string(Bodyweight)
	}
	if _, given := l["coordinate"]; given {
		l["coordinate"] = presentCoordinate(l["coordinate"])
	}
	if kit, ok := l["kit"].(map[string]any); ok {
		renamed(kit, "held", "attachment")
	}
}

// upgradedPose renames the coordinates that a pose, or a list of ranges, is keyed by.
func upgradedPose(v any) {
	if pose, ok := v.(map[string]any); ok {
		renamed(pose, "shoulder.planeDeg", "shoulder.planeOfElevationDeg")
		renamed(pose, "shoulder.plane", "shoulder.planeOfElevation")
	}
}

// PresentCoordinate is what a coordinate of an earlier version is called now.
func PresentCoordinate(key string) string {
	if key == "shoulder.plane" {
		return "shoulder.planeOfElevation"
	}
	return key
}

func presentCoordinate(v any) any {
	if key, ok := v.(string); ok {
		return PresentCoordinate(key)
	}
	return v
}

// renamed moves a value to another name, unless that has one already.
func renamed(m map[string]any, from, to string) {
	v, given := m[from]
	if _, there := m[to]; !given || there {
		return
	}
	m[to] = v
	delete(m, from)
}

// UpgradedText is the text of a document, or of anything that holds documents and lifters, in the words of the present version; texts of
// the present version, and such as are no JSON, come back as they are.
func UpgradedText(raw []byte) []byte {
	if !bytes.Contains(raw, []byte(schema1)) && !bytes.Contains(raw, []byte(`"stature"`)) {
		return raw
	}
	dec := json.NewDecoder(bytes.NewReader(raw))
	dec.UseNumber()
	var v any
	if dec.Decode(&v) != nil {
		return raw
	}
	upgradedWithin(v)
	var out bytes.Buffer
	enc := json.NewEncoder(&out)
	enc.SetEscapeHTML(false)
	if enc.Encode(v) != nil {
		return raw
	}
	return []byte(strings.TrimSuffix(out.String(), "\n"))
}

// upgradedWithin upgrades every document and lifter that a decoded value holds.
func upgradedWithin(v any) {
	switch x := v.(type) {
	case map[string]any:
		upgraded(x)
		if _, old := x["stature"]; old {
			upgradedLifter(x)
		}
		for _, inner := range x {
			upgradedWithin(inner)
		}
	case []any:
		for _, inner := range x {
			upgradedWithin(inner)
		}
	}
}
