// Command dialarc is the whole program: the server, the demo, and the evaluation of setups from the command line.
package main

import (
	"errors"
	"fmt"
	"io"
	"os"
	"strings"

	"dialarc/core/setup"
	"dialarc/internal/simulate"
)

type command struct {
	name, usage, about string
	run                func(args []string, out io.Writer) error
}

func commands() []command {
	return []command{
		{"eval", "eval FILE|- [--csv] [--joint NAME] [--tempo|--uncertainty]",
			"evaluate a setup document and print its report as JSON, or its curves as CSV; with --joint of another joint, with --tempo its torque in motion, with --uncertainty the spread of its numbers", runEval},
		{"sweep", "sweep [--map KEY,KEY] [--csv] FILE|-",
			"print how well every value of every setting would fit, or every pair of values of two, as JSON or CSV", runSweep},
		{"dialin", "dialin [--free KEYS] [--seed N] [--budget N] [--csv] FILE|-", "find settings that fit better and print them as JSON or CSV",
			runDialIn},
		{"compare", "compare [--equal WAY [--at DEG]] [--csv] FILE FILE...",
			"put 2 to 24 setups side by side and print what differs as JSON or CSV; with --equal peak, mean, angle or reserve the loads that make them equal", runCompare},
		{"rank", "rank [--region KEY] [--how WAY] [--room FILE] [--csv] FILE|-",
			"order the ready setups for a lifter's body by how they load a region: long, short or even", runRank},
		{"exercises", "exercises [--lifter HEIGHT,MASS[,SEX[,TRAINING]]] [--csv]",
			"look every exercise through for a lifter: who leads, what gives out first, whether it can be done as it stands", runExercises},
		{"shares", "shares [--csv] FILE|-", "print what every muscle does at every place along a setup's path", runShares},
		{"serve", "serve [--addr HOST:PORT] [--host NAME] [--device NAME=URL] [--open]", "migrate the database named by DATABASE_URL and serve the application",
			runServe},
		{"demo", "demo [--addr HOST:PORT] [--data FOLDER] [--host NAME] [--open]",
			"like serve, and load the invented demo data if it is not there yet", runDemo},
		{"simulate", "simulate KIND [--behind WHAT] [--fault NAME] [--seed N] [--speed X]",
			"stand in for a measuring device (" + strings.Join(simulate.Kinds(), ", ") + ") and print its address", runSimulate},
		{"backup", "backup [--data FOLDER] FILE", "write everything, with its history, to a new file", runBackup},
		{"restore", "restore [--data FOLDER] FILE", "put a backup into an empty database", runRestore},
		{"export", "export [--data FOLDER] FOLDER", "write lifters, rooms, setups and comparisons as open files into a new folder", runExport},
		{"import", "import [--data FOLDER] FOLDER", "take in what export wrote, all or nothing", runImport},
		{"version", "version", "print which program this is", alone("version", runVersion)},
		{"migrate", "migrate", "bring the database named by DATABASE_URL to the newest version", alone("migrate", runMigrate)},
		{"openapi", "openapi", "print the description of the HTTP interface", alone("openapi", runOpenAPI)},
		{"bridge", "bridge", "print the page's wrappers of the core's calls as TypeScript", alone("bridge", runBridge)},
		{"schema", "schema [setup|block|session]", "print the JSON Schema of a document, the setup's unless another is named", runSchema},
	}
}

// alone is a command that takes nothing.
func alone(name string, run func(out io.Writer) error) func(args []string, out io.Writer) error {
	return func(args []string, out io.Writer) error {
		if _, err := options(name, args, "nothing", 0, 0, nil); err != nil {
			return err
		}
		return run(out)
	}
}

func main() {
	if err := dispatch(os.Args[1:], os.Stdout); err != nil {
		fmt.Fprintln(os.Stderr, "dialarc:", err)
		var problems setup.Problems
		if errors.As(err, &problems) {
			os.Exit(1)
		}
		os.Exit(2)
	}
}

func dispatch(args []string, out io.Writer) error {
	if len(args) > 0 {
		for _, c := range commands() {
			if c.name != args[0] {
				continue
			}
			err := c.run(args[1:], out)
			if help := (askedForHelp{}); errors.As(err, &help) {
				fmt.Fprint(out, help.Error())
				return nil
			}
			return err
		}
		if args[0] != "help" && args[0] != "-h" && args[0] != "--help" {
			return fmt.Errorf("there is no command %q; dialarc help lists them", args[0])
		}
	}
	fmt.Fprintln(out, "dialarc models the torque of a setup on a target muscle.")
	for _, c := range commands() {
		fmt.Fprintf(out, "  dialarc %-26s %s\n", c.usage, c.about)
	}
	return nil
}
