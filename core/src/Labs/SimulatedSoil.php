<?php

declare(strict_types=1);

namespace HonestCore\Labs;

/**
 * What a simulated lab is told of the soil in a bag, so that duplicates agree and results fit what was found of that
 * ground before. Which soil it is cannot be read from the token.
 *
 * Quantity and unit: pH, none where nothing is known.
 */
final readonly class SimulatedSoil
{
    private function __construct(public string $token, public string $ground, public ?float $ph) {}

    /** @param string $secret known to the application alone */
    public static function of(string $secret, string $soil, string $ground, ?float $ph): self
    {
        return new self(hash_hmac('sha256', $soil, $secret), hash_hmac('sha256', $ground, $secret), $ph);
    }

    /** @return array{token: string, ground: string, ph: float|null} */
    public function toArray(): array
    {
        return ['token' => $this->token, 'ground' => $this->ground, 'ph' => $this->ph];
    }
}
