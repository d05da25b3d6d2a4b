// Command azzel serves projects to browsers.
//
//	azzel serve            serve what is in the database
//	azzel serve -demo      put the demo project in first, if there is none
//	azzel database stop    stop the database that serve started
//	azzel export PROJECT   write a project as a bundle
//	azzel import FILE      make a project of a bundle
//	azzel replay PROJECT   play its kept replays on it as it is now
//	azzel backup FILE      write all that the database holds
//	azzel restore FILE     put what a backup holds in the place of the database
//
// Export and import also take maps and layers: see the usage that azzel prints.
// AZZEL_DATABASE_URL names another database than the one azzel keeps itself, AZZEL_DATABASE_DIR where it keeps that,
// AZZEL_ADDR another loopback address than 127.0.0.1:8417.
package main

import (
	"context"
	"errors"
	"flag"
	"fmt"
	"io"
	"io/fs"
	"log/slog"
	"net"
	"net/http"
	"os"
	"os/signal"
	"syscall"
	"time"

	"azzel/cluster"
	"azzel/demo"
	"azzel/server"
	"azzel/store"
	"azzel/web"
)

func main() {
	slog.SetDefault(slog.New(slog.NewJSONHandler(os.Stderr, nil)))
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	if err := dispatch(ctx, os.Args[1:]); err != nil {
		fmt.Fprintln(os.Stderr, "azzel:", err)
		os.Exit(1)
	}
}

func dispatch(ctx context.Context, args []string) error {
	switch {
	case len(args) >= 1 && args[0] == "serve":
		return serve(ctx, args[1:])
	case len(args) == 2 && args[0] == "database" && args[1] == "stop":
		dir, err := cluster.DefaultDir()
		if err != nil {
			return err
		}
		stopped, err := cluster.Stop(ctx, dir, serverName)
		if stopped {
			fmt.Println("The database is stopped.")
		}
		return err
	}
	if len(args) == 2 && (args[0] == "backup" || args[0] == "restore") {
		return map[string]func(context.Context, string, io.Writer) error{"backup": backup, "restore": restore}[args[0]](ctx, args[1], os.Stdout)
	}
	if len(args) >= 1 {
		commands := map[string]func(context.Context, *store.Store, []string, io.Writer) error{"export": export, "import": bring, "replay": replays}
		if command := commands[args[0]]; command != nil {
			return withStore(ctx, func(s *store.Store) error { return command(ctx, s, args[1:], os.Stdout) })
		}
	}
	return errors.New(usage)
}

const usage = `usage:
  azzel serve [-demo]
  azzel database stop
  azzel export [-o FILE] PROJECT                           a project as a bundle
  azzel export [-o FILE] -map NAME [-scale N] PROJECT      a map as PNG
  azzel export [-o FILE] -map NAME -layer NAME PROJECT     a layer as CSV
  azzel import FILE                                        a new project from a bundle
  azzel import -map NAME -layer NAME FILE PROJECT          a layer from CSV
  azzel replay PROJECT [FILE]                              play its kept replays, or that of a file, on it as it is now
  azzel replay -o FILE PROJECT NAME                        one of them as a file
  azzel backup FILE                                        all that the database holds, into a file
  azzel restore FILE                                       what a backup holds, in the place of the database
PROJECT is the number or the name of a project`

// serverName is what the database knows a server as.
const serverName = "azzel server"

const defaultAddress = "127.0.0.1:8417"

func serve(ctx context.Context, args []string) error {
	flags := flag.NewFlagSet("serve", flag.ContinueOnError)
	withDemo := flags.Bool("demo", false, "put the demo project in first, if there is none")
	if err := flags.Parse(args); err != nil {
		return err
	}
	addr := os.Getenv("AZZEL_ADDR")
	if addr == "" {
		addr = defaultAddress
	}
	if err := server.CheckAddress(addr); err != nil {
		return err
	}
	listener, err := net.Listen("tcp", addr)
	if err != nil {
		if runsAt(addr) {
			fmt.Printf("Azzel runs already at http://%s\n", addr)
			return nil
		}
		return fmt.Errorf("%s can't be used (%w); name another address with AZZEL_ADDR, for example AZZEL_ADDR=127.0.0.1:8418", addr, err)
	}
	defer listener.Close()
	url, options := os.Getenv("AZZEL_DATABASE_URL"), store.Options{Name: serverName}
	var revive func(context.Context) error
	if url == "" {
		dir, err := cluster.DefaultDir()
		if err != nil {
			return err
		}
		fmt.Println("Starting the database …")
		if url, err = ownDatabase(ctx, dir); err != nil {
			return err
		}
		options.Locate = func() (uint16, error) { return cluster.Port(dir) }
		revive = func(ctx context.Context) error { return cluster.Revive(ctx, dir) }
	}
	s, err := store.Open(ctx, url, options)
	if err != nil {
		return err
	}
	defer s.Close()
	if *withDemo {
		if err := demo.Install(ctx, s); err != nil {
			return fmt.Errorf("putting in the demo project: %w", err)
		}
	}
	files, err := fs.Sub(web.Files, "dist")
	if err != nil {
		return err
	}
	v, err := server.New(s, files, addr, revive)
	if err != nil {
		return err
	}
	fmt.Printf("Azzel is ready at http://%s\n", listener.Addr())
	return v.Serve(ctx, listener)
}

func ownDatabase(ctx context.Context, dir string) (string, error) {
	c, err := cluster.Start(ctx, dir)
	if err != nil {
		return "", err
	}
	return c.Database(ctx, "azzel")
}

// runsAt reports whether Azzel itself answers at the address.
func runsAt(addr string) bool {
	client := http.Client{Timeout: 2 * time.Second}
	res, err := client.Get("http://" + addr + "/healthz")
	if err != nil {
		return false
	}
	defer res.Body.Close()
	body, err := io.ReadAll(io.LimitReader(res.Body, 100))
	return err == nil && res.StatusCode == http.StatusOK && string(body) == server.Well
}
