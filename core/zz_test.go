package core_test
import ("testing";"fmt";"dialarc/core/setup";"dialarc/core")
func TestZZ(t *testing.T){
 for _,h:=range []float64{1.58,1.75,1.92} {
 everyReady(t,h,func(k string,d setup.Document,r *core.Report){
  for _,x:=range r.Rubs { if x.State!="clear" {fmt.Printf("%v %-20s %s %s %.3f mirror %v\n",h,k,x.State,x.Part,x.Distance,x.Mirror)}}
 })}
}
