#!/usr/bin/env bash
# A PostgreSQL cluster of our own on 127.0.0.1.
#   cluster.sh start|stop|status|password|wipe DIRECTORY PORT
# Works as root (the server then runs as the package's user "postgres") and as an ordinary user.
# The password is in DIRECTORY/password. YENTRA_PG_OPTIONS adds server options (tests switch fsync off).
set -euo pipefail

usage() { echo "usage: cluster.sh start|stop|status|password|wipe DIRECTORY PORT" >&2; exit 2; }
[ $# -ge 2 ] || usage
ACTION=$1
DIR=$2
PORT=${3:-0}
DATA=$DIR/data
LOG=$DIR/server.log
DATABASE=yentra
ROLE=yentra
# a unix socket's path is limited to 107 bytes: where the cluster's own directory is too long for it,
# it lives in a short one, closed to others and of a name that nobody can guess
SOCKET=$DIR/socket
[ ${#SOCKET} -le 90 ] || SOCKET=
BIN=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1 || true)
cd /   # the server must be able to enter the working directory

if [ "$(id -u)" = 0 ]; then AS=(runuser -u postgres --); OWNER=postgres; else AS=(); OWNER=$(id -un); fi
pg() { "${AS[@]}" env -i PATH="$BIN:/usr/bin:/bin" LC_ALL=C.UTF-8 TZ=UTC HOME=/tmp "$@"; }

# Not pg_ctl status: that takes a dead, unreaped server for a running one.
running() {
  local pid state
  pid=$(pg head -n 1 "$DATA/postmaster.pid" 2>/dev/null) || return 1
  [ -n "$pid" ] && [ -r "/proc/$pid/stat" ] || return 1
  state=$(sed 's/.*) //; s/ .*//' "/proc/$pid/stat")
  case "$state" in Z | X) return 1 ;; esac
  tr '\0' '\n' <"/proc/$pid/cmdline" | grep -qxF -- "$DATA"
}

sql() { pg "$BIN/psql" -h "$SOCKET" -p "$PORT" -U "$OWNER" -v ON_ERROR_STOP=1 -qAtX "$@"; }

prepare() {
  mkdir -p "$DIR"
  if [ "$(id -u)" = 0 ]; then
    chown postgres: "$DIR"
    if ! runuser -u postgres -- test -x "$DIR"; then
      echo "PostgreSQL runs as the user postgres, who cannot enter $DIR because a directory above it is closed to others." >&2
      echo "Run as an ordinary user, move the checkout, or set YENTRA_VAR to a directory that postgres can enter." >&2
      exit 3
    fi
  fi
  chmod 700 "$DIR"
  if [ -z "$SOCKET" ]; then
    SOCKET=$(pg cat "$DIR/socket-path" 2>/dev/null || true)
    if [ -z "$SOCKET" ] || ! pg test -O "$SOCKET"; then
      SOCKET=$(pg mktemp -d /tmp/yentra-XXXXXXXXXX)
      echo "$SOCKET" | pg tee "$DIR/socket-path" >/dev/null
    fi
  fi
  pg mkdir -p -m 700 "$SOCKET"
  if [ ! -s "$DIR/password" ]; then
    head -c 24 /dev/urandom | base64 | tr -d '/+=\n' | pg tee "$DIR/password" >/dev/null
    pg chmod 600 "$DIR/password"
  fi
  # a cluster that was only half made (power cut during initdb) has no mark, and holds nothing yet
  if [ ! -e "$DIR/complete" ]; then
    pg rm -rf "$DATA"
    pg "$BIN/initdb" -D "$DATA" -U "$OWNER" --encoding=UTF8 --locale=C.UTF-8 --data-checksums \
      --auth-local=peer --auth-host=scram-sha-256 --no-instructions >/dev/null
    pg tee -a "$DATA/postgresql.conf" >/dev/null <<CONF
listen_addresses = '127.0.0.1'
unix_socket_permissions = 0700
max_connections = 60
shared_buffers = 128MB
timezone = 'UTC'
log_timezone = 'UTC'
password_encryption = scram-sha-256
CONF
    pg touch "$DIR/complete"
  fi
}

start() {
  [ -n "$BIN" ] || { echo "PostgreSQL is not installed: apt-get install postgresql" >&2; exit 3; }
  prepare
  if ! running; then
    pg rm -f "$DATA/postmaster.pid" "$SOCKET/.s.PGSQL.$PORT" "$SOCKET/.s.PGSQL.$PORT.lock"
    if ! pg "$BIN/pg_ctl" -D "$DATA" -w -t 60 -l "$LOG" -o "-p $PORT -k $SOCKET ${YENTRA_PG_OPTIONS:-}" start >/dev/null 2>&1; then
      echo "PostgreSQL did not start on port $PORT. The end of its log ($LOG):" >&2
      pg tail -n 10 "$LOG" >&2 || true
      exit 4
    fi
  fi
  local password
  password=$(pg cat "$DIR/password")
  sql -d postgres <<SQL
select format('create role %I login', '$ROLE') where not exists (select from pg_roles where rolname = '$ROLE') \gexec
select format('alter role %I password %L', '$ROLE', '$password') \gexec
select format('create database %I owner %I', '$DATABASE', '$ROLE') where not exists (select from pg_database where datname = '$DATABASE') \gexec
SQL
}

stop() { if running; then pg "$BIN/pg_ctl" -D "$DATA" -w -t 60 -m fast stop >/dev/null; fi; }

case "$ACTION" in
  start) start ;;
  stop) stop ;;
  status) running && echo running || { echo stopped; exit 3; } ;;
  password) pg cat "$DIR/password" ;;
  wipe) stop; rm -rf "$DIR" ${SOCKET:+"$SOCKET"} $(pg cat "$DIR/socket-path" 2>/dev/null || true) ;;
  *) usage ;;
esac
