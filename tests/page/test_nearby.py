"""A device nearby: certificates, addresses, a code to scan."""

from __future__ import annotations

import gc
import socket
import ssl
from contextlib import suppress
from datetime import UTC, datetime, timedelta
from ipaddress import ip_address

import pytest
from cryptography import x509

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.page import nearby


@pytest.mark.parametrize("address", ["127.0.0.2", "192.168.1.20", "::1"])
def test_a_certificate_is_for_its_address_for_a_day_and_no_other(address: str) -> None:
    first, second = nearby.certificate_for(address), nearby.certificate_for(address)
    made = x509.load_pem_x509_certificate(first.chain)
    names = made.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    assert names.get_values_for_type(x509.IPAddress) == [ip_address(address)]
    assert made.not_valid_after_utc - datetime.now(UTC) <= timedelta(days=1)
    assert first.fingerprint != second.fingerprint


def test_a_browser_would_be_shown_the_certificate_that_is_told() -> None:
    with mt.serving(marsh.FINGERS, lan="127.0.0.2") as page:
        port = int(page.nearby.partition("?")[0].rpartition(":")[2].strip("/"))
        context = ssl.create_default_context()
        context.check_hostname, context.verify_mode = False, ssl.CERT_NONE
        with socket.create_connection(("127.0.0.2", port)) as plain, context.wrap_socket(plain) as line:
            shown = line.getpeercert(binary_form=True)
            assert shown is not None
            assert line.version() in ("TLSv1.2", "TLSv1.3")
    found = x509.load_der_x509_certificate(shown)
    from cryptography.hazmat.primitives import hashes

    assert found.fingerprint(hashes.SHA256()).hex(":").upper() == page.fingerprint


def test_who_is_at_the_door_as_the_page_ends_is_cut_off() -> None:
    with mt.serving(marsh.FINGERS, lan="127.0.0.2") as page:
        port = int(page.nearby.partition("?")[0].rpartition(":")[2].strip("/"))
        line = socket.create_connection(("127.0.0.2", port), timeout=10.0)
        line.send(b"\x16\x03\x01")  # the first bytes of a handshake, and no more
    with line, suppress(ConnectionResetError):
        assert line.recv(1) == b""
    gc.collect()  # an end that was left open is said here


def test_what_is_no_address_of_this_machine_is_refused() -> None:
    for address, words in (("tide", "expected one such as"), ("192.0.2.7", "cannot listen there")):
        with pytest.raises(mt.OutputError, match=words), mt.serving(marsh.FINGERS, lan=address):
            pass


def test_a_machine_without_a_network_is_told_what_to_type(monkeypatch: pytest.MonkeyPatch) -> None:
    class Lost(socket.socket):
        def connect(self, _: object) -> None:
            raise OSError(101, "no way")

    monkeypatch.setattr(socket, "socket", Lost)
    with pytest.raises(mt.OutputError, match="--lan ADDRESS"):
        nearby.own_address()


def test_an_address_is_drawn_as_a_code() -> None:
    drawn = nearby.scanned("https://192.168.1.20:4321/?token=" + "x" * 32)
    assert len(drawn.splitlines()) > 15
    assert len({len(line) for line in drawn.splitlines()}) <= 2
