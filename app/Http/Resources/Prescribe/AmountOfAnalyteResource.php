<?php

declare(strict_types=1);

namespace App\Http\Resources\Prescribe;

use App\Actions\Prescribe\AdvisedOther;
use HonestCore\Program\SiteRates;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property AdvisedOther $resource */
final class AmountOfAnalyteResource extends JsonResource
{
    public function __construct(AdvisedOther $advised, private readonly string $units)
    {
        parent::__construct($advised);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $it = $this->resource;

        return SiteRates::of($this->units)->throughout([
            'analyte' => $it->analyte->code,
            'name' => $it->analyte->name,
            ...$it->advice->toArray(),
            'sample_id' => $it->sample->id,
            'sample' => $it->sample->code,
            'pulled_on' => $it->sample->pulled_on->format('Y-m-d'),
            'depth' => $it->sample->depth,
            'method' => $it->reading?->method->name,
            'verdict' => $it->verdict?->verdict,
            'differ' => $it->differ,
        ]);
    }
}
