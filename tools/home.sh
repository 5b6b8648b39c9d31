#!/usr/bin/env bash
# A certificate of one's own for the home network: a small authority of this machine signs one for its names and addresses.
# usage: home.sh FOLDER    leaves root.crt (for phones), home.crt and home.key in FOLDER; what still serves is kept
set -eu -o pipefail
folder=$1
(umask 077; mkdir -p "$folder")
name=$(hostname -s 2>/dev/null || echo nightbank)

names() {
  printf 'DNS:localhost,DNS:%s,DNS:%s.local,IP:127.0.0.1' "$name" "$name"
  hostname -I 2>/dev/null | tr ' ' '\n' | grep -E '^[0-9.]+$' | sort -u | sed 's/^/,IP:/' | tr -d '\n'
}

# The authority can vouch for this machine and for addresses of home networks, and for nothing else in the world.
limits() {
  printf 'critical,permitted;DNS:localhost,permitted;DNS:%s,permitted;DNS:%s.local' "$name" "$name"
  printf ',permitted;IP:%s' 127.0.0.0/255.0.0.0 10.0.0.0/255.0.0.0 172.16.0.0/255.240.0.0 192.168.0.0/255.255.0.0
  names | tr ',' '\n' | sed -n 's|^IP:\(.*\)|,permitted;IP:\1/255.255.255.255|p' | tr -d '\n'
}

authority() {
  (umask 077; openssl ecparam -name prime256v1 -genkey -noout -out "$folder/root.key")
  openssl req -x509 -new -key "$folder/root.key" -sha256 -days 3650 -out "$folder/root.crt" \
    -subj "/CN=Night Bank on $name" -addext basicConstraints=critical,CA:TRUE,pathlen:0 \
    -addext keyUsage=critical,keyCertSign,cRLSign -addext "nameConstraints=$(limits)"
}

sign() {
  (umask 077; openssl ecparam -name prime256v1 -genkey -noout | openssl pkcs8 -topk8 -nocrypt -out "$folder/home.key")
  openssl req -new -key "$folder/home.key" -subj "/CN=$name" |
    openssl x509 -req -sha256 -days 397 -CA "$folder/root.crt" -CAkey "$folder/root.key" -CAcreateserial \
      -extfile <(printf 'subjectAltName=%s\nextendedKeyUsage=serverAuth\nbasicConstraints=CA:FALSE\n' "$(names)") \
      -out "$folder/home.crt" 2> /dev/null
  names > "$folder/names"
}

serves() { # signed by the authority, which may vouch for all its names, and for a month to come
  openssl verify -CAfile "$folder/root.crt" "$folder/home.crt" > /dev/null 2>&1 &&
    openssl x509 -in "$folder/home.crt" -noout -checkend 2592000 > /dev/null 2>&1 &&
    [ "$(cat "$folder/names" 2>/dev/null)" = "$(names)" ]
}

openssl x509 -in "$folder/root.crt" -noout -checkend 31536000 > /dev/null 2>&1 || authority
serves || sign
if ! serves; then
  echo "This machine has a name or an address that its authority may not vouch for; it has a new one. Phones must learn it anew."
  authority
  sign
fi
