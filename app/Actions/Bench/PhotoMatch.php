<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use HonestCore\Colour\ColourMatch;
use HonestCore\Colour\Patch;

/** Which swatch a tube on a photo is nearest to. */
final class PhotoMatch
{
    /**
     * @param array{tube: Patch, white: Patch, swatches: list<Patch>} $patches
     * @return array<string, mixed>
     */
    public static function of(array $patches): array
    {
        $match = ColourMatch::of($patches['tube'], $patches['white'], $patches['swatches']);

        return [
            'swatches' => $match->swatches,
            'margin' => $match->margin,
            'unevenness' => $match->unevenness,
            'safety' => $match->safety,
            'words' => $match->words,
        ];
    }
}
