"""Stand-ins: simulated hands, seeded, that send what real devices send."""
