"""An event listener of supervisor: says by name which process stopped and that it is started again."""

import sys


def main() -> None:
    while True:
        sys.stdout.write("READY\n")
        sys.stdout.flush()
        line = sys.stdin.readline()
        if not line:
            return
        head = dict(pair.split(":", 1) for pair in line.split())
        body = dict(pair.split(":", 1) for pair in sys.stdin.read(int(head["len"])).split())
        name, event = body.get("processname", "?"), head["eventname"]
        if event == "PROCESS_STATE_EXITED" and body.get("expected") == "0":
            print(f"cutreel: {name} stopped unexpectedly; it is started again.", file=sys.stderr, flush=True)
        elif event == "PROCESS_STATE_FATAL":
            print(
                f"cutreel: {name} could not be started; see its messages above. End with Ctrl-C.",
                file=sys.stderr,
                flush=True,
            )
        sys.stdout.write("RESULT 2\nOK")
        sys.stdout.flush()


if __name__ == "__main__":
    main()
