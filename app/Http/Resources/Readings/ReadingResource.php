<?php

declare(strict_types=1);

namespace App\Http\Resources\Readings;

use App\Models\Reading;
use HonestCore\Bench\ProtocolBreak;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * @mixin Reading
 *
 * @property Reading $resource
 */
final class ReadingResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'sample_id' => $this->sample_id,
            'method_id' => $this->method_id,
            'method' => $this->method->name,
            'method_code' => $this->method->code,
            'value' => $this->value,
            'band' => $this->band,
            'as_reported' => $this->as_reported,
            'read_on' => $this->read_on->format('Y-m-d'),
            'reader' => $this->reader,
            'flags' => array_map(
                static fn (string $code): array => ['code' => $code, 'name' => ProtocolBreak::of($code)->name],
                $this->flags,
            ),
            'seen_before' => $this->seenBefore(),
            'note' => $this->note,
            'deviations' => $this->sample->deviations(),
            'corrects_id' => $this->corrects_id,
            'corrected' => $this->resource->relationLoaded('correction') && $this->correction !== null,
        ];
    }
}
