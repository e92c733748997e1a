<?php

declare(strict_types=1);

namespace App\Actions\Readings;

use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Models\Concerns\TakenScope;
use App\Models\MethodVersion;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\TestMethod;
use App\Models\User;
use Illuminate\Support\Carbon;

/**
 * Stores a reading of a composite's portion. Nothing is overwritten: a correction is a reading of its own that
 * points at the one it corrects.
 */
final class RecordReading
{
    public function __construct(private readonly KnownBefore $known) {}

    /**
     * @param array{typed: string, read_on: string, reader: string, flags: list<string>, note: string,
     * corrects_id: int|null} $fields
     */
    public function __invoke(
        Sample $sample,
        TestMethod $method,
        User $author,
        array $fields,
        ?int $reportId = null,
    ): Reading {
        return AllOrNothing::of(function () use ($sample, $method, $author, $fields, $reportId): Reading {
            // A report that is being taken counts too, so that its results and these never stand beside one another.
            $standing = Reading::query()
                ->withoutGlobalScope(TakenScope::class)
                ->where('sample_id', $sample->id)
                ->where('method_id', $method->id)
                ->whereDoesntHave(
                    'correction',
                    static fn ($corrections) => $corrections->withoutGlobalScope(TakenScope::class),
                )
                ->pluck('id');
            if ($fields['corrects_id'] !== null && ! $standing->contains($fields['corrects_id'])) {
                throw Conflict::because('nothing_to_correct');
            }
            if ($fields['corrects_id'] === null && $method->workplace === 'lab' && $standing->isNotEmpty()) {
                throw Conflict::because('result_there', sample: $sample->code, method: $method->name);
            }

            $version =
                $method->workplace === 'bench'
                    ? MethodVersion::query()->where('method_id', $method->id)->orderByDesc('version')->first()
                    : null;

            return Reading::query()->create([
                'sample_id' => $sample->id,
                'portion_id' => $sample->portions()->where('kind', $method->workplace)->valueOrFail('id'),
                'method_id' => $method->id,
                'report_id' => $reportId,
                'created_by' => $author->id,
                'corrects_id' => $fields['corrects_id'],
                ...$this->value($sample, $method, $version, $author, $fields),
                'read_on' => $fields['read_on'],
                'reader' => $fields['reader'],
                'flags' => $fields['flags'],
                'note' => $fields['note'],
                'method_version_id' => $version?->id,
                'lot' => $method->lot,
            ]);
        });
    }

    /**
     * @param array{typed: string, reader: string, corrects_id: int|null} $fields
     * @return array{value: float|null, band: string|null, as_reported: string, detail: array<string, int|bool|null>|null}
     */
    private function value(Sample $sample, TestMethod $method, ?MethodVersion $version, User $author, array $fields): array
    {
        $typed = $fields['typed'];
        $seen = $method->workplace === 'bench' ? ['seen' => $this->seen($sample, $method, $author, $fields)] : null;
        if ($version === null) {
            return [
                'value' => $method->bands === null ? (float) $typed : null,
                'band' => $method->bands === null ? null : $typed,
                'as_reported' => $typed,
                'detail' => $seen,
            ];
        }
        $reading = $version->parsed()->scale->read($typed);

        return [
            'value' => $reading->number,
            'band' => $reading->band,
            'as_reported' => $reading->drops === null ? $typed : $reading->words(),
            'detail' => ($seen ?? []) + ($reading->drops === null ? [] : ['drops' => $reading->drops]),
        ];
    }

    /**
     * Was the lab's value known when it was read? What is corrected in words alone was read when it was read; another value is a
     * reading of now.
     *
     * @param array{typed: string, reader: string, corrects_id: int|null} $fields
     */
    private function seen(Sample $sample, TestMethod $method, User $author, array $fields): ?bool
    {
        $before = $fields['corrects_id'] === null ? null : Reading::query()->find($fields['corrects_id']);

        return $before !== null && $before->as_reported === $fields['typed']
            ? $before->seenBefore()
            : ($this->known)($sample->id, $method, $author, $fields['reader'], Carbon::now());
    }

    /**
     * A lab's results of one composite, all or none.
     *
     * @param list<array{TestMethod, string}> $results method and what was typed
     */
    public function all(Sample $sample, User $author, array $results, string $readOn): void
    {
        AllOrNothing::of(function () use ($sample, $author, $results, $readOn): void {
            foreach ($results as [$method, $typed]) {
                $this($sample, $method, $author, [
                    'typed' => $typed,
                    'read_on' => $readOn,
                    'reader' => $method->name,
                    'flags' => [],
                    'note' => '',
                    'corrects_id' => null,
                ]);
            }
        });
    }
}
