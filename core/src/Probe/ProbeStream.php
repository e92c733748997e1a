<?php

declare(strict_types=1);

namespace HonestCore\Probe;

use HonestCore\Statistics\Spread;

/**
 * The lines of a device that streams its readings, taken one by one: what is good is kept, what is not is counted and
 * shown. A line is a JSON object {"n": count, "at_ms": moment, "value": reading, "celsius": temperature}.
 *
 * Quantity and unit: value in the unit of the probe, moments in milliseconds of the device's clock.
 * Domain: n counts up by one a line; a line whose n was seen is a repeat, a jump of n or a pause is a gap.
 */
final class ProbeStream
{
    private const PAUSE_MS = 3_000;

    /** @var list<array{n: int, at_ms: int, value: float, celsius: float|null}> */
    private array $good = [];

    /** @var list<array{after_n: int|null, kind: string, words: string}> */
    private array $gaps = [];

    public function __construct(private readonly float $lowest, private readonly float $highest) {}

    /**
     * @return array{kind: string, n: int|null, value: float|null, celsius: float|null, words: string} what became of
     *                                                                                                 the line
     */
    public function take(string $line): array
    {
        $said = strlen($line) > 4096 ? null : json_decode($line, true, 8);
        $last = $this->good[count($this->good) - 1] ?? null;
        $n = is_array($said) && is_int($said['n'] ?? null) ? $said['n'] : null;
        $at = is_array($said) && is_int($said['at_ms'] ?? null) ? $said['at_ms'] : null;
        $value = is_array($said) ? self::number($said['value'] ?? null) : null;
        if ($n === null || $at === null || $value === null) {
            return $this->gap('rubbish', 'A line that is no reading came and was left out.');
        }
        if ($value < $this->lowest || $value > $this->highest) {
            return $this->gap(
                'rubbish',
                "{$value} is off the scale of the probe ({$this->lowest} to {$this->highest}) and was left out.",
            );
        }
        if ($last !== null && $n <= $last['n']) {
            return $this->gap('repeat', "Reading {$n} came once more and was left out.");
        }
        if ($last !== null && $at < $last['at_ms']) {
            return $this->gap('rubbish', "Reading {$n} is older than the one before it and was left out.");
        }
        if ($last !== null && ($n > $last['n'] + 1 || $at - $last['at_ms'] > self::PAUSE_MS)) {
            $this->gap(
                'gap',
                $n > $last['n'] + 1
                    ? $n - $last['n'] - 1 ." readings are missing after reading {$last['n']}."
                    : 'Nothing came for '.
                        number_format(($at - $last['at_ms']) / 1000, 1).
                        " s after reading {$last['n']}.",
            );
        }
        $celsius = self::number($said['celsius'] ?? null);
        $this->good[] = [
            'n' => $n,
            'at_ms' => $at,
            'value' => $value,
            'celsius' => $celsius !== null && abs($celsius) <= 100 ? $celsius : null,
        ];

        return ['kind' => 'good', 'n' => $n, 'value' => $value, 'celsius' => $celsius, 'words' => ''];
    }

    /** The stream ended before it was told to. */
    public function stopped(string $words): void
    {
        $this->gap('stopped', $words);
    }

    /** @return list<array{n: int, at_ms: int, value: float, celsius: float|null}> */
    public function good(): array
    {
        return $this->good;
    }

    /** @return list<array{after_n: int|null, kind: string, words: string}> */
    public function gaps(): array
    {
        return $this->gaps;
    }

    /**
     * Mean and spread of the last readings, null when there is none.
     *
     * @return array{n: int, mean: float, sd: float|null, celsius: float|null}|null
     */
    public function summary(int $last): ?array
    {
        $used = array_slice($this->good, -$last);
        if ($used === []) {
            return null;
        }
        $values = array_column($used, 'value');
        $warm = array_values(array_filter(array_column($used, 'celsius'), is_float(...)));

        return [
            'n' => count($used),
            'mean' => Spread::mean($values),
            'sd' => count($used) > 1 ? Spread::standardDeviation($values) : null,
            'celsius' => $warm === [] ? null : Spread::mean($warm),
        ];
    }

    /** @return array{kind: string, n: null, value: null, celsius: null, words: string} */
    private function gap(string $kind, string $words): array
    {
        $this->gaps[] = [
            'after_n' => $this->good[count($this->good) - 1]['n'] ?? null,
            'kind' => $kind,
            'words' => $words,
        ];

        return ['kind' => $kind, 'n' => null, 'value' => null, 'celsius' => null, 'words' => $words];
    }

    private static function number(mixed $value): ?float
    {
        return (is_int($value) || is_float($value)) && is_finite((float) $value) ? (float) $value : null;
    }
}
