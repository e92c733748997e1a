<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Models\MethodVersion;
use App\Models\ReagentLot;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Agreement\Band;
use HonestCore\Bench\MethodScale;
use HonestCore\Colour\Srgb;

/** A method, its definition and its lots as pages are shown them. */
final class MethodShape
{
    /** @return array<string, mixed> */
    public static function detail(TestMethod $method): array
    {
        $method->loadMissing(['versions', 'lots']);
        $versions = $method->versions->sortByDesc('version');
        $authors = User::query()
            ->whereIn('id', $versions->pluck('created_by')->filter())
            ->pluck('name', 'id');
        /** @var MethodVersion|null $current */
        $current = $versions->first();

        return [
            'id' => $method->id,
            'name' => $method->name,
            'analyte' => $method->analyte,
            'version' => $current?->version,
            'definition' => $current === null ? null : $current->definition,
            'scale' => $current === null ? null : self::scale($current->parsed()->scale),
            'links' => $method->links,
            'versions' => array_values(
                $versions
                    ->map(
                        static fn (MethodVersion $version): array => [
                            'version' => $version->version,
                            'why' => $version->why,
                            'by' => $authors[$version->created_by] ?? null,
                            'at' => $version->created_at->toIso8601ZuluString(),
                        ],
                    )
                    ->all(),
            ),
            'lots' => array_values($method->lots->sortBy('id')->map(self::lot(...))->all()),
        ];
    }

    /** @return array<string, mixed> */
    public static function lot(ReagentLot $lot): array
    {
        return [
            'id' => $lot->id,
            'reagent' => $lot->reagent,
            'lot' => $lot->lot,
            'expires_on' => $lot->expires_on?->format('Y-m-d'),
            'price_cents' => $lot->price_cents,
            'tests' => $lot->tests,
        ];
    }

    /** @return array<string, mixed> */
    public static function scale(MethodScale $scale): array
    {
        return [
            'kind' => $scale->kind->value,
            'resolution' => $scale->resolution,
            'lowest' => $scale->lowest,
            'highest' => $scale->highest,
            'most' => $scale->drops === [] ? null : $scale->drops[count($scale->drops) - 1]['to'],
            'reading_error_mm' => $scale->readingErrorMm,
            'bands' => $scale->bands === null
                    ? null
                    : array_map(static function (Band $band) use ($scale): array {
                        $colour = $scale->colours[$band->name] ?? null;
                        $light = $colour === null ? null : Srgb::ofLab($colour);

                        return [
                            'name' => $band->name,
                            'lower' => is_finite($band->lower) ? $band->lower : null,
                            'upper' => is_finite($band->upper) ? $band->upper : null,
                            'hex' => $light === null ? null : Srgb::hex($light),
                            'shown' => $light === null || Srgb::isShown($light),
                        ];
                    }, $scale->bands->bands),
        ];
    }
}
