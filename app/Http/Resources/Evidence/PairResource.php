<?php

declare(strict_types=1);

namespace App\Http\Resources\Evidence;

use App\Actions\Evidence\Pair;
use App\Models\Reading;
use HonestCore\Bench\ProtocolBreak;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property Pair $resource */
final class PairResource extends JsonResource
{
    /** @param list<string> $actions by class */
    public function __construct(Pair $pair, private readonly array $actions)
    {
        parent::__construct($pair);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $pair = $this->resource;
        $last = $pair->readings[count($pair->readings) - 1];
        $class = $pair->testClass();

        return [
            'from_records' => $pair->isFromRecords(),
            'sample_id' => $pair->sample->id,
            'reading_id' => $last->id,
            'code' => $pair->sample->code,
            'area' => $pair->sample->area->name,
            'limits' => $pair->limits->values,
            'reference' => $pair->reference,
            'test' => $pair->test(),
            'band' => $this->band(),
            'difference' => $pair->difference(),
            'reference_action' => $this->actions[$pair->referenceClass()],
            'test_action' => $class === null ? null : $this->actions[$class],
            'same' => $class === $pair->referenceClass(),
            'readings' => array_map(static fn (Reading $reading): string => $reading->as_reported, $pair->readings),
            'lot' => $pair->lot(),
            'season' => $pair->sample->year,
            'reader' => $pair->reader(),
            'read_on' => $last->read_on->format('Y-m-d'),
            'deviations' => $pair->sample->deviations(),
            'flags' => array_map(static fn (string $code): string => ProtocolBreak::of($code)->name, $pair->flags),
        ];
    }

    /** @return array<string, mixed>|null with the actions that it may call for beside its own */
    private function band(): ?array
    {
        $pair = $this->resource;
        $band = $pair->band();

        return $band === null
            ? null
            : $band->toRow() + [
                'cut' => $band->isCutBy($pair->limits),
                'may' => array_map(fn (int $class): string => $this->actions[$class], $pair->otherClasses()),
            ];
    }
}
