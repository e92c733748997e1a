<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\Lab;
use App\Models\TestMethod;
use HonestCore\Analyte\SoilUnit;

/**
 * The lab method of a series: one for each lab, analyte, extractant and instrument, so that no two are ever one
 * series. A new one is stored when what it is for is.
 */
final class SeriesMethods
{
    /** @var array<string, TestMethod> */
    private array $known = [];

    private bool $first;

    public function __construct(private readonly Lab $lab)
    {
        $this->first = Lab::query()->orderBy('id')->value('id') === $lab->id;
    }

    public function of(string $analyte, string $extractant, string $instrument): TestMethod
    {
        return $this->known["{$analyte}/{$extractant}/{$instrument}"] ??=
            $this->find($analyte, $extractant, $instrument) ?? $this->make($analyte, $extractant, $instrument);
    }

    /** Stores those that are new. */
    public function keep(): void
    {
        foreach ($this->known as $method) {
            $method->exists || $method->save();
        }
    }

    private function find(string $analyte, string $extractant, string $instrument): ?TestMethod
    {
        return TestMethod::query()
            ->where('workplace', 'lab')
            ->where('analyte', $analyte)
            ->where('extractant', $extractant)
            ->where('instrument', $instrument)
            ->where(
                fn ($query) => $query
                    ->where('lab_id', $this->lab->id)
                    ->when($this->first, static fn ($more) => $more->orWhereNull('lab_id')),
            )
            ->orderBy('id')
            ->first();
    }

    private function make(string $analyte, string $extractant, string $instrument): TestMethod
    {
        $words = array_filter([
            $analyte === 'ph' ? 'pH' : ($analyte === 'buffer_ph' ? 'buffer pH' : $analyte),
            $extractant,
            $instrument,
        ]);

        return new TestMethod([
            'code' => mb_substr(
                'lab-'.$this->lab->id.'-'.implode('-', array_filter([$analyte, $extractant, $instrument])),
                0,
                120,
            ),
            'name' => mb_substr("{$this->lab->name}, ".implode(' ', $words), 0, 120),
            'analyte' => $analyte,
            'workplace' => 'lab',
            'school' => $analyte === 'buffer_ph' ? $extractant : null,
            'bands' => null,
            'uncertainty' => null,
            'lot' => '',
            'lab_id' => $this->lab->id,
            'extractant' => $extractant,
            'instrument' => $instrument,
        ]);
    }

    public static function unit(TestMethod $method): string
    {
        return SoilUnit::home($method->analyte)->code ?? '';
    }
}
