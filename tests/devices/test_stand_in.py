"""The stand-ins settle, drift, tare, lose battery and break off as the real ones do."""

import pytest

from ample_rows.devices.device import DeviceGoneError
from ample_rows.devices.stand_in import stand_in_scale, stand_in_thermometer


@pytest.fixture
def clock():
    class Clock:
        now = 0.0

        def __call__(self):
            return self.now

    return Clock()


def test_a_scale_settles_to_what_lies_on_it(clock):
    scale = stand_in_scale(clock)
    scale.put(1.24)
    clock.now = 0.1
    assert abs(scale.read().value - 1.24) > 0.05
    clock.now = 6.0
    assert scale.read().value == pytest.approx(1.24, abs=0.002)


def test_what_lies_there_when_it_is_tared_counts_as_nothing(clock):
    scale = stand_in_scale(clock)
    scale.put(0.4)
    clock.now = 6.0
    scale.tare()
    scale.put(1.0)
    clock.now = 12.0
    assert scale.read().value == pytest.approx(0.6, abs=0.002)


def test_it_drifts_until_it_is_tared_again(clock):
    scale = stand_in_scale(clock)
    clock.now = 3600.0
    assert scale.read().value == pytest.approx(0.002, abs=0.001)
    scale.tare()
    assert scale.read().value == pytest.approx(0.0, abs=0.001)


def test_a_cable_out_or_a_battery_that_is_empty_is_told(clock):
    scale = stand_in_scale(clock)
    scale.connected = False
    for act in (scale.read, scale.tare):
        with pytest.raises(DeviceGoneError, match="cable"):
            act()
    scale.connected = True
    clock.now = 200 * 3600.0
    assert scale.read().battery == pytest.approx(0.5)
    clock.now = 401 * 3600.0
    with pytest.raises(DeviceGoneError, match="battery"):
        scale.read()


def test_a_probe_follows_the_soil_slowly(clock):
    probe = stand_in_thermometer(clock)
    probe.put(12.0)
    clock.now = 1.0
    assert probe.read().value < 8.0
    clock.now = 60.0
    assert probe.read().value == pytest.approx(12.0, abs=0.1)
