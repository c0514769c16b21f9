"""A page elsewhere must not reach the server of someone's laptop."""

import pytest


@pytest.mark.parametrize(
    ("headers", "status"),
    [
        ({}, 200),
        ({"host": "localhost:8437"}, 200),
        ({"host": "[::1]:8437"}, 200),
        ({"host": "127.0.0.1"}, 200),
        ({"host": "evil.example"}, 400),
        ({"host": "127.0.0.1.evil.example"}, 400),
        ({"host": "localhost.evil.example:8437"}, 400),
        ({"host": ""}, 400),
        ({"origin": "http://127.0.0.1:8437"}, 200),
        ({"origin": "http://evil.example"}, 403),
        ({"origin": "null"}, 403),
        ({"origin": "http://127.0.0.1:9999"}, 403),
    ],
)
def test_hosts_and_origins(client, headers, status):
    assert client.get("/api/gardens", headers=headers).status_code == status


def test_a_foreign_page_cannot_write(client):
    answer = client.post("/api/gardens", content=b"{}", headers={"sec-fetch-site": "cross-site"})
    assert answer.status_code == 403


@pytest.mark.parametrize("path", ["/", "/api/gardens", "/api/reference", "/api/nothing"])
def test_every_answer_carries_the_policy(client, path):
    headers = client.get(path).headers
    policy = headers["content-security-policy"]
    assert "default-src 'none'" in policy
    assert "unsafe" not in policy
    assert headers["x-content-type-options"] == "nosniff"


def test_the_page_has_no_inline_script_or_style(client):
    page = client.get("/").text
    assert "<style" not in page
    assert " style=" not in page
    assert all("src=" in part for part in page.split("<script")[1:])
