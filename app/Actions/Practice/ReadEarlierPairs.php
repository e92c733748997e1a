<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Actions\Readings\RecordReading;
use App\Models\PracticeField;
use App\Models\PracticeSoil;
use App\Models\Sample;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Practice\BufferOfGround;
use HonestCore\Practice\Chance;
use Illuminate\Support\Carbon;

/** What kit and lab said of composites before somebody comes: each blind to the other, with the errors that they have here. */
final class ReadEarlierPairs
{
    public function __construct(private readonly RecordReading $record, private readonly ReadByKit $kit) {}

    /** @param list<Sample> $samples in the order in which they were read */
    public function read(PracticeField $field, User $twin, array $samples): void
    {
        $lesson = $field->lessonOf();
        $method = TestMethod::query()->where('code', 'kit-ph')->firstOrFail();
        $ofNew = count($samples) - ($lesson->ofNewLot ?? 0);
        foreach ($samples as $i => $sample) {
            if ($i === $ofNew && $i > 0) {
                $method->update(['lot' => PracticeField::NEXT_LOT]);
                $method->lots()->create(['reagent' => 'Indicator capsules', 'lot' => PracticeField::NEXT_LOT]);
            }
            $day = $sample->pulled_on->copy()->addDays(2)->format('Y-m-d');
            $ph = $this->kit->ph($field, $sample, $method, $method->lot, $twin->name, "earlier {$i}", '', []);
            // The kit shows steps of half a unit; the last is off where a lesson wants it.
            $off = $i === count($samples) - 1 ? $lesson->miss ?? 0.0 : 0.0;
            ($this->record)($sample, $method, $twin, $this->fields(
                $this->kit->band($method, $ph + $off),
                $day,
                $twin->name,
            ));
        }
    }

    /** @param list<Sample> $samples that were sent together */
    public function measure(PracticeField $field, User $twin, array $samples, Carbon $on): void
    {
        $methods = TestMethod::query()->where('workplace', 'lab')->get()->keyBy('code');
        $true = array_map(static fn (Sample $one): float => self::soil($one)->holds['ph'], $samples);
        $found = $field->lab()->report($true, Chance::named($field->seed, 'earlier '.count($samples)));
        foreach ($samples as $i => $sample) {
            foreach (
                [
                    'lab-ph' => $found[$i],
                    'lab-mehlich' => BufferOfGround::mehlich($field->ground(), $true[$i]),
                    'lab-smp' => BufferOfGround::smp($field->ground(), $true[$i]),
                ] as $code => $value
            ) {
                $method = $methods[$code] ?? throw new \LogicException("A team is founded with {$code}.");
                ($this->record)($sample, $method, $twin, $this->fields(
                    sprintf('%.2f', $value),
                    $on->format('Y-m-d'),
                    'Practice laboratory',
                ));
            }
        }
    }

    private static function soil(Sample $sample): PracticeSoil
    {
        return PracticeSoil::ofSample($sample->id) ?? throw new \LogicException('A composite of practice has its soil.');
    }

    /** @return array{typed: string, read_on: string, reader: string, flags: list<string>, note: string, corrects_id: int|null} */
    private function fields(string $typed, string $on, string $reader): array
    {
        return ['typed' => $typed, 'read_on' => $on, 'reader' => $reader, 'flags' => [], 'note' => '', 'corrects_id' => null];
    }
}
