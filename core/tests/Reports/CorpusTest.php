<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reports;

use HonestCore\Error\CoreError;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Reports\ReportFacts;
use PHPUnit\Framework\TestCase;

/**
 * Files of many labs' habits with what they truly say: right, asked about or refused, and never wrong in silence.
 *
 * The truth of each file was reckoned by hand or by the definitions of its units when the file was made
 * (corpus/truth.json).
 */
final class CorpusTest extends TestCase
{
    private const FOLDER = __DIR__.'/corpus/';

    public function test_no_file_is_read_wrongly_and_in_silence(): void
    {
        $counts = ['right' => 0, 'asked' => 0, 'refused' => 0, 'wrong' => 0];
        $wrong = [];
        foreach (self::truths() as $file => $truth) {
            [$outcome, $words] = self::outcome($file, $truth);
            $counts[$outcome]++;
            if ($outcome === 'wrong') {
                $wrong[] = "{$file}: {$words}";
            }
        }
        fwrite(
            STDOUT,
            "\nlab files: ".
                implode(
                    ', ',
                    array_map(
                        static fn (string $what, int $count): string => "{$count} {$what}",
                        array_keys($counts),
                        $counts,
                    ),
                ).
                "\n",
        );

        self::assertSame([], $wrong);
        self::assertGreaterThanOrEqual(80, array_sum($counts));
        self::assertGreaterThan(80, $counts['right'], 'a reader that asks about everything is of no use');
    }

    /**
     * @param array{results?: list<array{string, string, float|int|null}>, asks?: list<string>,
     *     left_out?: list<string>, refused?: string} $truth
     * @return array{'right'|'asked'|'refused'|'wrong', string}
     */
    private static function outcome(string $file, array $truth): array
    {
        try {
            $facts = ReportFacts::of(
                (string) file_get_contents(self::FOLDER.$file),
                DepthLayer::ofInches(0, 6),
                1.32,
            );
        } catch (CoreError $error) {
            return isset($truth['refused']) && str_contains($error->getMessage(), $truth['refused'])
                ? ['refused', '']
                : ['wrong', "refused: {$error->getMessage()}"];
        }
        if (! isset($truth['results'])) {
            return ['wrong', 'was not refused'];
        }
        /** @var list<array{sample: string, analyte: string, kind: string, home_value: float|int|null}> $results */
        $results = $facts['results'];
        /** @var list<string> $questions */
        $questions = $facts['questions'];
        $found = [];
        foreach ($results as $result) {
            if ($result['kind'] !== 'rating') {
                $found["{$result['sample']} {$result['analyte']}"][] = $result['home_value'];
            }
        }
        $asked = false;
        foreach ($truth['results'] as [$sample, $analyte, $home]) {
            $key = "{$sample} {$analyte}";
            if (($found[$key] ?? []) === []) {
                return ['wrong', "{$key} is not there"];
            }
            $value = array_shift($found[$key]);
            if (
                $home === null ? $value !== null : $value !== null && abs($value - $home) > 1e-6 * max(1.0, abs($home))
            ) {
                return ['wrong', "{$key} is ".json_encode($value).', truly '.json_encode($home)];
            }
            $asked = $asked || ($home !== null && $value === null);
        }
        $more = array_keys(array_filter($found));
        $silent = array_filter(
            $truth['asks'] ?? [],
            static fn (string $words): bool => array_filter(
                $questions,
                static fn (string $question): bool => str_contains($question, $words),
            ) === [],
        );
        $lost = array_filter(
            $truth['left_out'] ?? [],
            static fn (string $words): bool => ! str_contains(
                (string) json_encode($facts['left_out'], JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE),
                $words,
            ),
        );

        return match (true) {
            $more !== [] => ['wrong', 'too many: '.implode(', ', $more)],
            $silent !== [] => [
                'wrong',
                'not asked: '.implode(', ', $silent).'; asked was '.implode(' | ', $questions),
            ],
            $lost !== [] => ['wrong', 'not named among what is left out: '.implode(', ', $lost)],
            ($truth['asks'] ?? null) === [] && $questions !== [] => [
                'wrong',
                'asked for nothing: '.implode(' | ', $questions),
            ],
            $asked || ($truth['asks'] ?? []) !== [] => ['asked', ''],
            default => ['right', ''],
        };
    }

    /**
     * @return array<string, array{results?: list<array{string, string, float|int|null}>, asks?: list<string>,
     * left_out?: list<string>, refused?: string}>
     */
    private static function truths(): array
    {
        /**
         * @var array<string, array{results?: list<array{string, string, float|int|null}>, asks?: list<string>,
         * left_out?: list<string>, refused?: string}> $truths
         */
        $truths = json_decode((string) file_get_contents(self::FOLDER.'truth.json'), true, 16, JSON_THROW_ON_ERROR);

        return $truths;
    }
}
