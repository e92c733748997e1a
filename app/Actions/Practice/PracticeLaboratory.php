<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Actions\Labs\LabAnswer;
use App\Actions\Labs\LabInterface;
use App\Models\ConsignedPortion;
use App\Models\Consignment;
use App\Models\PracticeField;
use App\Models\PracticeSoil;
use HonestCore\Practice\BufferOfGround;
use HonestCore\Practice\Chance;
use HonestCore\Table\CsvWriter;

/**
 * The lab of a practice ground: its days are short, its results have their error, a batch is shifted now and then, and two samples
 * are exchanged now and then. It never says so.
 */
final class PracticeLaboratory implements LabInterface
{
    private const HEADS = [
        'ph' => 'pH (1:1 water)',
        'mehlich' => 'Mehlich buffer pH',
        'smp' => 'SMP buffer pH',
        'p' => 'P Mehlich-3 (ppm)',
        'k' => 'K Mehlich-3 (ppm)',
        'om' => 'Organic matter (%)',
        'lead' => 'Lead, total (ppm)',
    ];

    public function isThere(): bool
    {
        return true;
    }

    public function announce(string $reference, int $transitDays, int $turnaroundDays, array $portions): string
    {
        return $reference;
    }

    public function ask(string $id): LabAnswer
    {
        return new LabAnswer('reported', 'reported: on practice ground days are short', [$this->name($this->consignment($id))]);
    }

    public function report(string $id, string $name): string
    {
        $consignment = $this->consignment($id);
        $field = PracticeField::here() ?? throw new \LogicException('The practice lab works on practice ground.');
        $nameless = $field->lessonOf()->namelessBuffer ?? false;
        $asked = array_intersect(array_keys(self::HEADS), $consignment->load('contents.portion')->contents->flatMap(
            static fn (ConsignedPortion $one): array => array_column($one->tests, 'code'),
        )->all());
        $soils = $this->soils($consignment);
        $ph = $this->measured($field, $consignment, $soils);
        $rows = [];
        foreach ($soils as $code => $soil) {
            $rows[] = [(string) $code, ...array_map(
                static fn (string $test): string => self::figure($test, $soil, $ph[$code] ?? NAN, $field),
                array_values($asked),
            )];
        }
        $heads = array_map(
            static fn (string $test): string => $test === 'smp' && $nameless ? 'Buffer pH' : self::HEADS[$test],
            array_values($asked),
        );

        return CsvWriter::of([
            ['Practice laboratory: every figure is made up'],
            ...$nameless ? [['Buffer: Shoemaker, McLean and Pratt (SMP)']] : [],
            ['sample', ...$heads],
            ...$rows,
        ]);
    }

    public function recheck(string $id, array $codes, string $why): string
    {
        return 'measured again: as it was reported';
    }

    /** @return array<string, PracticeSoil> by the code of the portion */
    private function soils(Consignment $consignment): array
    {
        $samples = $consignment->contents->map(static fn (ConsignedPortion $one): ?int => $one->portion->sample_id);
        $soils = PracticeSoil::query()->whereIn('sample_id', $samples)->get()->keyBy('sample_id');
        $found = [];
        foreach ($consignment->contents as $one) {
            $soil = $soils->get($one->portion->sample_id ?? 0);
            if ($soil !== null) {
                $found[$one->portion->code] = $soil;
            }
        }

        return $found;
    }

    /**
     * @param array<string, PracticeSoil> $soils
     * @return array<string, float> pH by the code of the portion, as the batch came out
     */
    private function measured(PracticeField $field, Consignment $consignment, array $soils): array
    {
        ksort($soils);

        return array_combine(array_keys($soils), $field->lab()->report(
            array_values(array_map(static fn (PracticeSoil $soil): float => $soil->holds['ph'] ?? NAN, $soils)),
            Chance::named($field->seed, "batch {$consignment->number}"),
        ));
    }

    private static function figure(string $test, PracticeSoil $soil, float $ph, PracticeField $field): string
    {
        $chance = Chance::named($field->seed, $test.json_encode($soil->holds));
        $near = static fn (float $value): float => $value * (1 + $chance->normal(0.0, 0.04));

        return match ($test) {
            'ph' => sprintf('%.2f', $ph),
            'mehlich' => sprintf('%.2f', BufferOfGround::mehlich($field->ground(), $ph)),
            'smp' => sprintf('%.2f', BufferOfGround::smp($field->ground(), $ph)),
            'om' => sprintf('%.1f', $near($soil->holds['om'] ?? NAN)),
            'lead' => sprintf('%.0f', $near($soil->holds['pb'] ?? NAN)),
            default => sprintf('%.0f', $near($soil->holds[$test] ?? NAN)),
        };
    }

    private function name(Consignment $consignment): string
    {
        return "practice-report-{$consignment->number}.csv";
    }

    private function consignment(string $reference): Consignment
    {
        return Consignment::query()->where('reference', $reference)->firstOrFail();
    }
}
