// Dirt on the rails: stutters at random, and how many of them a reserve of power carries over.
#pragma once

#include "core/quantity/quantities.h"

namespace glimmet::core {

/// The mean length of rail that a stutter takes. Assumed: at a crawl of 20 km/h in H0 a stutter of
/// that length lasts 47 ms (docs/physics.md, "Dirt").
inline constexpr Millimetres stutterLength{3};

/// Of stutters whose length is random without memory (exponential), those a metre that outlast a
/// time at a speed: n · e^(−v·t/l). Range: perMetre >= 0, speed > 0, carried >= 0.
[[nodiscard]] double stuttersLeft(double perMetre, MetresPerSecond speed, Seconds carried);
/// The time that leaves no more than `left` of them a metre: (l/v) · ln(n/left); 0 s where it is no
/// more without. Range: left > 0.
[[nodiscard]] Seconds timeToCarry(double perMetre, MetresPerSecond speed, double left);

/// The share of its way on which a wheel gives nothing: all wheels of a side are off together where
/// it stutters, each by itself by chance, so n · l = q^left + q^right. 0 … 1. Range: perMetre >= 0,
/// wheels >= 1 on each side.
[[nodiscard]] double wheelOff(double perMetre, int left, int right);
/// Stutters to be expected on a length where one such wheel is all that collects on its side: q · L
/// / l.
[[nodiscard]] double stuttersOnOneWheel(double off, Millimetres length);

}  // namespace glimmet::core
