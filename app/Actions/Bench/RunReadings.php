<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Models\Portion;
use App\Models\Reading;
use App\Models\Run;
use HonestCore\Jar\JarTexture;
use HonestCore\Jar\TextureOutlines;

/** The readings that a run gave. */
final class RunReadings
{
    /** @return list<array<string, mixed>> */
    public static function of(Run $run): array
    {
        $readings = $run->readings()->whereDoesntHave('correction')->orderBy('id')->get();
        $portions = Portion::query()->whereIn('id', $readings->pluck('portion_id'))->pluck('code', 'id');
        $error = $run->version->parsed()->scale->readingErrorMm;

        return array_values(
            $readings
                ->map(static function (Reading $reading) use ($portions, $error): array {
                    $heights = $reading->detail['heights_mm'] ?? null;

                    return [
                        'id' => $reading->id,
                        'portion' => $portions[$reading->portion_id],
                        'sample_id' => $reading->sample_id,
                        'as_reported' => $reading->as_reported,
                        'reader' => $reading->reader,
                        'flags' => $reading->flags,
                        'breaks' => array_values(
                            array_filter((array) ($reading->detail['breaks'] ?? []), is_string(...)),
                        ),
                        'texture' => is_array($heights) && $error !== null ? self::texture($heights, $error) : null,
                    ];
                })
                ->all(),
        );
    }

    /**
     * @param array<mixed> $heights
     * @return array<string, mixed>
     */
    private static function texture(array $heights, float $error): array
    {
        [$sand, $silt, $all] = array_map(
            static fn (mixed $one): float => is_numeric($one) ? (float) $one : 0.0,
            array_values($heights),
        );
        $jar = JarTexture::ofHeights($sand, $silt, $all, $error);

        return [
            'class' => $jar->texture->className(),
            'sand' => $jar->texture->sand,
            'silt' => $jar->texture->silt,
            'clay' => $jar->texture->clay,
            'ranges' => $jar->ranges,
            'classes' => $jar->classes(),
            'region' => $jar->region(),
            'outlines' => TextureOutlines::all(),
        ];
    }
}
