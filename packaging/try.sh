#!/bin/sh
# The package in a clean root: installed; its unit verified, and its command run as the unit says; brought up over a database of every
# earlier version, each with its copy; started twice; removed and purged with the data kept. As root, with debootstrap.
#   packaging/try.sh PACKAGE.deb
set -eu
package=$(realpath "$1")
fixtures=$(realpath "$(dirname "$0")/../crates/store/tests/store/fixtures")
root=$(mktemp -d)
chmod 755 "$root"
trap 'umount "$root/proc" "$root/dev" 2>/dev/null || true; rm -rf "$root"' EXIT
debootstrap --variant=minbase --include=systemd,curl,sqlite3,desktop-file-utils bookworm "$root" http://deb.debian.org/debian >/dev/null
mount --bind /proc "$root/proc"
mount --bind /dev "$root/dev"
cp "$package" "$root/tmp/package.deb"
cp "$fixtures"/v*.sql "$root/tmp/"
chroot "$root" dpkg -i /tmp/package.deb
chroot "$root" desktop-file-validate /usr/share/applications/yoke-turn.desktop
chroot "$root" useradd --create-home turner
cat >"$root/tmp/as-turner.sh" <<'AS'
set -eu
cd
unit=/usr/lib/systemd/user/yoke-turn.service
systemd-analyze verify --user --man=no "$unit"
command=$(sed -n 's/^ExecStart=//p' "$unit")
shop=~/.local/share/yoke-turn
for version in /tmp/v*.sql; do
  rm -rf "$shop"; mkdir -p "$shop"
  sqlite3 "$shop/yoke-turn.db" <"$version"
  jobs=$(sqlite3 "$shop/yoke-turn.db" 'SELECT count(*) FROM jobs')
  $command >/tmp/served 2>&1 & server=$!
  for _ in $(seq 100); do curl -sf http://127.0.0.1:4720/healthz >/dev/null && break; sleep 0.1; done
  [ "$(curl -sf http://127.0.0.1:4720/api/v1/jobs | tr '{' '\n' | grep -c '"id":')" -ge "$jobs" ]
  if yoke-turn serve 2>/tmp/second; then exit 1; fi
  grep -q http://127.0.0.1:4720/ /tmp/second
  kill $server; wait $server
  ls "$shop"/yoke-turn.before-v*.db >/dev/null
  [ "$(sqlite3 "$shop/yoke-turn.db" 'SELECT count(*) FROM jobs')" = "$jobs" ]
  echo "held: $(basename "$version" .sql) brought up, $jobs jobs, its copy kept, a second start told where the first is"
done
AS
chroot "$root" su turner -s /bin/sh -c 'XDG_RUNTIME_DIR=/tmp sh /tmp/as-turner.sh'
chroot "$root" apt-get purge --yes yoke-turn >/dev/null
[ ! -e "$root/usr/bin/yoke-turn" ]
[ -s "$root/home/turner/.local/share/yoke-turn/yoke-turn.db" ]
echo "held: installed in a clean root, its unit verified, removed with the data kept"
