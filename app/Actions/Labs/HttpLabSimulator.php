<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use HonestCore\Labs\SimulatedSoil;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\Response;

/** The orders to a simulated lab over HTTP; there is none unless whoever runs the application says so. */
final class HttpLabSimulator implements LabSimulator
{
    public function __construct(private readonly LabConnection $lab, private readonly bool $simulated) {}

    public function isThere(): bool
    {
        return $this->simulated && $this->lab->isSet();
    }

    public function fill(string $reference, array $soils): void
    {
        $this->lab->send(
            static fn (PendingRequest $http): Response => $http->post('soils', [
                'reference' => $reference,
                'soils' => array_map(static fn (SimulatedSoil $soil): array => $soil->toArray(), $soils),
            ]),
        );
    }

    public function order(array $order): string
    {
        $word = $this->lab
            ->send(static fn (PendingRequest $http): Response => $http->post('clock', $order))
            ->json('word');

        return is_string($word) ? $word : throw LabConnection::strange();
    }
}
