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
     * What became of the line.
     *
     * @return array{kind: string, n: int|null, value: float|null, celsius: float|null, words: string}
     */
    public function take(string $line): array
    {
        $read = self::read($line);
        if ($read === null) {
            return $this->gap('rubbish', 'A line that is no reading came and was left out.');
        }
        $last = $this->good[count($this->good) - 1] ?? null;
        $wrong = $this->wrong($read, $last);
        if ($wrong !== null) {
            return $this->gap(...$wrong);
        }
        $missing = $last === null ? null : self::missing($read, $last);
        if ($missing !== null) {
            $this->gap('gap', $missing);
        }
        $celsius = $read['celsius'];
        $this->good[] = ['celsius' => $celsius !== null && abs($celsius) <= 100 ? $celsius : null] + $read;

        return ['kind' => 'good', 'n' => $read['n'], 'value' => $read['value'], 'celsius' => $celsius, 'words' => ''];
    }

    /** @return array{n: int, at_ms: int, value: float, celsius: float|null}|null null for what is no reading */
    private static function read(string $line): ?array
    {
        $said = strlen($line) > 4096 ? null : json_decode($line, true, 8);
        if (! is_array($said)) {
            return null;
        }
        [$n, $at, $value] = [$said['n'] ?? null, $said['at_ms'] ?? null, self::number($said['value'] ?? null)];

        return is_int($n) && is_int($at) && $value !== null
            ? ['n' => $n, 'at_ms' => $at, 'value' => $value, 'celsius' => self::number($said['celsius'] ?? null)]
            : null;
    }

    /**
     * @param array{n: int, at_ms: int, value: float, celsius: float|null} $read
     * @param array{n: int, at_ms: int, ...}|null $last
     * @return array{string, string}|null the kind and the words of why it is left out
     */
    private function wrong(array $read, ?array $last): ?array
    {
        ['n' => $n, 'value' => $value] = $read;

        return match (true) {
            $value < $this->lowest || $value > $this->highest => [
                'rubbish',
                "{$value} is off the scale of the probe ({$this->lowest} to {$this->highest}) and was left out.",
            ],
            $last === null => null,
            $n <= $last['n'] => ['repeat', "Reading {$n} came once more and was left out."],
            $read['at_ms'] < $last['at_ms'] => [
                'rubbish',
                "Reading {$n} is older than the one before it and was left out.",
            ],
            default => null,
        };
    }

    /**
     * @param array{n: int, at_ms: int, value: float, celsius: float|null} $read
     * @param array{n: int, at_ms: int, ...} $last
     */
    private static function missing(array $read, array $last): ?string
    {
        $pause = $read['at_ms'] - $last['at_ms'];
        $skipped = $read['n'] - $last['n'] - 1;

        return match (true) {
            $skipped > 0 => "{$skipped} readings are missing after reading {$last['n']}.",
            $pause > self::PAUSE_MS => 'Nothing came for '.
                number_format($pause / 1000, 1).
                " s after reading {$last['n']}.",
            default => null,
        };
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
