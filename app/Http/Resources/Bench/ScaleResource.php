<?php

declare(strict_types=1);

namespace App\Http\Resources\Bench;

use HonestCore\Agreement\Band;
use HonestCore\Bench\MethodScale;
use HonestCore\Colour\Srgb;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property MethodScale $resource */
final class ScaleResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $scale = $this->resource;

        return [
            'kind' => $scale->kind->value,
            'resolution' => $scale->resolution,
            'lowest' => $scale->lowest,
            'highest' => $scale->highest,
            'most' => $scale->mostDrops(),
            'reading_error_mm' => $scale->readingErrorMm,
            'bands' => $scale->bands === null ? null : array_map($this->band(...), $scale->bands->bands),
        ];
    }

    /** @return array<string, mixed> */
    private function band(Band $band): array
    {
        $colour = $this->resource->colours[$band->name] ?? null;
        $light = $colour === null ? null : Srgb::ofLab($colour);

        return $band->toRow() + [
            'hex' => $light === null ? null : Srgb::hex($light),
            'shown' => $light === null || Srgb::isShown($light),
        ];
    }
}
