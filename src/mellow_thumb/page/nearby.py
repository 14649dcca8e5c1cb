"""A device nearby: this machine's address, a certificate made for the run, a code to scan."""

from __future__ import annotations

import socket
from datetime import UTC, datetime, timedelta
from ipaddress import ip_address
from typing import NamedTuple

from ..basics import OutputError

SOMEWHERE = ("192.0.2.1", 9)
"""An address that is nowhere (RFC 5737): nothing is sent to it."""
LASTS = timedelta(days=1)
"""How long a certificate is good."""


class Certificate(NamedTuple):
    """A server's certificate, and its fingerprint for a person to compare."""

    key: bytes
    """The private key, as PEM."""
    chain: bytes
    """The certificate, as PEM."""
    fingerprint: str
    """SHA-256 of it, as browsers show it."""


def own_address() -> str:
    """The address of this machine in its network; :class:`OutputError` if it has none."""
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as one:
        try:
            one.connect(SOMEWHERE)
        except OSError:
            raise OutputError("found no network; expected --lan ADDRESS, this machine's own") from None
        return str(one.getsockname()[0])


def certificate_for(address: str) -> Certificate:
    """A certificate for an address, made for this run; :class:`OutputError` for a bad address."""
    from cryptography import x509
    from cryptography.hazmat.primitives import hashes, serialization
    from cryptography.hazmat.primitives.asymmetric import ec

    try:
        place = ip_address(address)
    except ValueError:
        raise OutputError(f'found the address "{address}"; expected one such as 192.168.1.20') from None
    key, now = ec.generate_private_key(ec.SECP256R1()), datetime.now(UTC)
    name = x509.Name([x509.NameAttribute(x509.NameOID.COMMON_NAME, "mellow-thumb try")])
    made = (
        x509.CertificateBuilder()
        .subject_name(name)
        .issuer_name(name)
        .public_key(key.public_key())
        .serial_number(x509.random_serial_number())
        .not_valid_before(now - timedelta(minutes=5))
        .not_valid_after(now + LASTS)
        .add_extension(x509.SubjectAlternativeName([x509.IPAddress(place)]), critical=False)
        .add_extension(x509.BasicConstraints(ca=False, path_length=None), critical=True)
        .sign(key, hashes.SHA256())
    )
    private = key.private_bytes(
        serialization.Encoding.PEM, serialization.PrivateFormat.PKCS8, serialization.NoEncryption()
    )
    fingerprint = made.fingerprint(hashes.SHA256()).hex(":").upper()
    return Certificate(private, made.public_bytes(serialization.Encoding.PEM), fingerprint)


def scanned(address: str) -> str:
    """An address as a code to scan, in characters."""
    import io

    import segno

    stream = io.StringIO()
    segno.make(address, error="l").terminal(stream, border=2, compact=True)
    return stream.getvalue()
