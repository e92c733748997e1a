<?php

declare(strict_types=1);

namespace App\Http\Resources\Bench;

use App\Models\MethodVersion;
use App\Models\TestMethod;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property TestMethod $resource */
final class BenchMethodResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $method = $this->resource->withVersions();
        $versions = $method->versions->sortByDesc('version');
        /** @var MethodVersion|null $current */
        $current = $versions->first();

        return [
            'id' => $method->id,
            'name' => $method->name,
            'analyte' => $method->analyte,
            'version' => $current?->version,
            'definition' => $current === null ? null : $current->definition,
            'scale' => $current === null ? null : new ScaleResource($current->parsed()->scale),
            'links' => $method->links,
            'versions' => array_values(
                $versions
                    ->map(
                        static fn (MethodVersion $version): array => [
                            'version' => $version->version,
                            'why' => $version->why,
                            'by' => $version->author?->name,
                            'at' => $version->created_at->toIso8601ZuluString(),
                        ],
                    )
                    ->all(),
            ),
            'lots' => LotResource::collection($method->lots->sortBy('id')->values()),
        ];
    }
}
