<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use HonestCore\Colour\VisionCheck;
use HonestCore\Colour\VisionPlate;
use Illuminate\Http\JsonResponse;

/** A fresh set of plates. What they show is not said; it follows again from the seed when the answers are judged. */
final class DrawPlates
{
    public function __invoke(): JsonResponse
    {
        $seed = random_int(1, 2_000_000_000);

        return new JsonResponse([
            'seed' => $seed,
            'plates' => array_map(
                static fn (array $plate): array => [
                    'dots' => VisionPlate::draw($plate['kind'], $plate['figure'], $plate['seed'])->dots,
                ],
                VisionCheck::plates($seed),
            ),
        ]);
    }
}
