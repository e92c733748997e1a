<?php

declare(strict_types=1);

namespace StandIn;

/**
 * A pH pen and a nitrate probe that stream readings as lines of JSON: they creep towards the soil's value, with noise
 * and a slow drift. Some soils come with a trouble of their own, so that it can be seen what becomes of it: the
 * stream stops, repeats a line, jumps or sends rubbish. All of it is made up.
 */
final class Instrument
{
    private const EVERY_MS = 250;

    private const NOISE = ['ph' => 0.012, 'no3n' => 0.35];

    private const DRIFT_A_MINUTE = ['ph' => 0.02, 'no3n' => 0.4];

    private const TROUBLES = ['none', 'stop', 'repeat', 'rubbish', 'gap'];

    /**
     * @param array<mixed> $asked soil, ph, seconds, trouble, pace: how many times faster than the clock it runs, 0 for
     *                            at once
     */
    public static function stream(string $probe, array $asked): void
    {
        if (! isset(self::NOISE[$probe])) {
            throw new Refused('There is no such instrument here; ph and no3n are.', 404);
        }
        $text = static fn (string $name): string => is_string($asked[$name] ?? null) ? $asked[$name] : '';
        $soil = hash('crc32b', "{$probe} {$text('soil')}");
        $seconds = min(120, max(1, (int) ($text('seconds') ?: 10)));
        $trouble = self::trouble($text('trouble'), $soil);
        $pace = $text('pace') === '' ? 1.0 : max(0.0, (float) $text('pace'));
        $value = self::value($probe, $soil, is_numeric($asked['ph'] ?? null) ? (float) $asked['ph'] : null);
        header('Content-Type: application/x-ndjson');
        header('X-Simulated: yes');
        mt_srand((int) hexdec($soil));
        $count = (int) (($seconds * 1000) / self::EVERY_MS);
        $last = $trouble === 'stop' ? intdiv($count, 2) : $count;
        for ($n = 1; $n <= $last; $n++) {
            $told = self::told($trouble, $n, $count, static fn (): string => self::line($probe, $value, $n));
            echo $told;
            @ob_flush();
            flush();
            if ($pace > 0 && $told !== '') {
                usleep((int) ((self::EVERY_MS * 1000) / $pace));
            }
        }
        echo $trouble === 'stop' ? '' : "{\"end\":true}\n";
    }

    /** The trouble that was asked for, or what this soil has. */
    private static function trouble(string $asked, string $soil): string
    {
        return in_array($asked, self::TROUBLES, true) ? $asked : self::TROUBLES[max(0, (int) hexdec($soil[0]) - 11)];
    }

    /**
     * What comes over the wire in place of a line: itself, nothing in a gap, rubbish before it, or itself twice.
     *
     * @param callable(): string $make
     */
    private static function told(string $trouble, int $n, int $count, callable $make): string
    {
        if ($trouble === 'gap' && $n > $count / 3 && $n < $count / 2) {
            return '';
        }
        $line = $make();

        return match (true) {
            $trouble === 'rubbish' && $n === intdiv($count, 3) => "{\"n\":{$n},\"value\":\"##err\"\n{$line}\n",
            $trouble === 'repeat' && $n === intdiv($count, 2) => "{$line}\n{$line}\n",
            default => "{$line}\n",
        };
    }

    private static function line(string $probe, float $value, int $n): string
    {
        $noise =
            (mt_rand() / mt_getrandmax() + mt_rand() / mt_getrandmax() + mt_rand() / mt_getrandmax() - 1.5) *
            2 *
            self::NOISE[$probe];
        $creep = ($probe === 'ph' ? 0.6 : 4) * exp(-$n / 6);
        $shown = $value + $creep + $noise + (self::DRIFT_A_MINUTE[$probe] * $n * self::EVERY_MS) / 60_000;

        return json_encode(
            [
                'n' => $n,
                'at_ms' => $n * self::EVERY_MS,
                'value' => round(max(0, $shown), $probe === 'ph' ? 3 : 1),
                'celsius' => round(20.4 + $n / 400, 2),
            ],
            JSON_THROW_ON_ERROR,
        );
    }

    /** The soil's own value, that of the lab when it is told, a little off as pens are. */
    private static function value(string $probe, string $soil, ?float $ph): float
    {
        $chance = hexdec(substr($soil, 2, 4)) / 65_535;

        return $probe === 'ph' ? ($ph ?? 5 + 2.5 * $chance) + 0.12 * (hexdec($soil[6]) / 15 - 0.35) : 3 + 34 * $chance;
    }
}
