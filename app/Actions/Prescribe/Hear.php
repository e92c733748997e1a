<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Actions\Evidence\SamplingSplit;
use App\Models\Area;
use App\Models\JudgingPolicy;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\TestMethod;
use HonestCore\Agreement\Scale;
use HonestCore\Amounts\TestedValue;
use HonestCore\Analyte\Analytes;
use HonestCore\Program\Heard;
use HonestCore\Quantity\DepthLayer;

/** What is heard of one analyte in a composite: a lab's result, else a test whose rate stands, else one that sorts. */
final class Hear
{
    /** @var array<int, float|null> expanded, by lab method */
    private array $expanded = [];

    public function __construct(private readonly WhatStands $stands, private readonly SamplingSplit $sampling) {}

    public function of(Sample $sample, Area $area, string $code, ?JudgingPolicy $policy): HeardReading
    {
        $lab = $this->lab($sample, $code);
        $rated = $lab === null ? $this->stands->rated($sample, $code) : null;
        [$kitReading, $verdict, $kit] = $policy === null ? [null, null, null] : $this->stands->sorted($sample, $area, $policy);
        $layer = DepthLayer::parse($sample->depth);
        $tested = match (true) {
            $lab !== null => TestedValue::of(
                (float) $lab->value,
                $this->uncertainty($lab, $policy),
                $lab->method->extractant,
                $layer,
            ),
            $rated !== null => TestedValue::of(
                (float) $rated[0]->value,
                $rated[1]->policy->terms->allowable *
                    ($rated[1]->policy->terms->scale === Scale::Ratio ? (float) $rated[0]->value : 1.0),
                '',
                $layer,
                $rated[0]->method->name,
            ),
            default => null,
        };
        $reading = $lab ?? ($rated[0] ?? $kitReading);

        return new HeardReading(
            new Heard(Analytes::get($code), $tested, $kit, $reading === null ? '' : self::words($sample, $reading)),
            $reading,
            $lab === null ? $rated[1] ?? $verdict : null,
        );
    }

    /** Whose a reading is, in words. */
    public static function words(Sample $sample, Reading $reading): string
    {
        return "{$sample->code}, {$reading->method->name}, {$reading->read_on->format('j M Y')}";
    }

    /** The lab's number by the extractant that the limits are made for, else the lab's first. */
    public function lab(Sample $sample, string $code): ?Reading
    {
        $labs = array_values(
            array_filter(
                $this->stands->readings($sample, $code, 'lab'),
                static fn (Reading $reading): bool => $reading->value !== null,
            ),
        );
        $fitting = array_filter(
            $labs,
            static fn (Reading $reading): bool => $reading->method->extractant === TestMethod::extractantOf($code),
        );

        return array_values($fitting)[0] ?? ($labs[0] ?? null);
    }

    /**
     * Expanded, in the unit of the reading, or null where nobody stated it: what is stated of a lab on the ratio scale
     * is a share.
     */
    private function uncertainty(Reading $reading, ?JudgingPolicy $policy): ?float
    {
        $stated = $reading->method->uncertainty;
        if ($policy !== null && $policy->policy()->scale === Scale::Ratio) {
            return $stated === null ? null : $stated * (float) $reading->value;
        }
        if ($policy === null) {
            return null;
        }
        $key = $reading->method_id;

        return $this->expanded[$key] = array_key_exists($key, $this->expanded)
            ? $this->expanded[$key]
            : $this->sampling->expanded($reading->method);
    }
}
