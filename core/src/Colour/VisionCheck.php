<?php

declare(strict_types=1);

namespace HonestCore\Colour;

use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A reader's answers to a set of plates. A screening for the work with colour cards, no diagnosis.
 *
 * Domain: an answer for each plate: the figure seen, or nothing.
 * Source: the table in data/vision-plates.json.
 */
final readonly class VisionCheck
{
    /** @param array<string, int> $missed plates missed by kind */
    private function __construct(
        public bool $passed,
        public int $right,
        public int $of,
        public array $missed,
        public string $words,
    ) {}

    /**
     * The plates of a seed: their kinds in a mixed order, each with a figure.
     *
     * @return list<array{kind: string, figure: string, seed: int}>
     *
     * @throws BadTable
     */
    public static function plates(int $seed): array
    {
        /** @var array{plates: list<string>, figures: array<string, mixed>} $table */
        $table = RuleTable::named('vision-plates');
        $random = new Randomizer(new Mt19937($seed));
        $figures = array_map(strval(...), array_keys($table['figures']));
        // The one that everybody sees comes first, so that it is clear what is asked.
        $kinds = [$table['plates'][0], ...$random->shuffleArray(array_slice($table['plates'], 1))];

        return array_map(
            static fn (string $kind): array => [
                'kind' => $kind,
                'figure' => $figures[$random->getInt(0, count($figures) - 1)],
                'seed' => $random->getInt(1, 1_000_000),
            ],
            array_values($kinds),
        );
    }

    /**
     * @param list<string|null> $answers null for nothing seen
     *
     * @throws ValueOutOfRange
     * @throws BadTable
     */
    public static function judge(int $seed, array $answers): self
    {
        $plates = self::plates($seed);
        if (count($answers) !== count($plates)) {
            throw new ValueOutOfRange('number_answers', ['value' => count($answers), 'count' => count($plates)]);
        }
        $missed = [];
        foreach ($plates as $i => $plate) {
            if ($answers[$i] !== ($plate['kind'] === 'none' ? null : $plate['figure'])) {
                $missed[$plate['kind']] = ($missed[$plate['kind']] ?? 0) + 1;
            }
        }
        /** @var int $may */
        $may = RuleTable::named('vision-plates')['may_miss'];
        $wrong = array_sum($missed);
        $usable = ! isset($missed['all']);
        $passed = $usable && $wrong <= $may;

        return new self(
            $passed,
            count($plates) - $wrong,
            count($plates),
            $missed,
            self::words($passed, $usable, $missed),
        );
    }

    /** @param array<string, int> $missed */
    private static function words(bool $passed, bool $usable, array $missed): string
    {
        unset($missed['all'], $missed['none']);
        arsort($missed);

        return match (true) {
            ! $usable => 'The plate that everybody sees was missed, so nothing follows. Look at the screen straight '.
                'on, in even light, and try again.',
            $passed => 'No sign of a colour-vision deficiency on this screen. A screening, no diagnosis.',
            ($missed['protan'] ?? 0) + ($missed['deutan'] ?? 0) > ($missed['tritan'] ?? 0) => 'Red and green are '.
                'not told apart surely on this screen. Let another reader read the cards, or read by photo. A '.
                    'screening, no diagnosis: ask an eye specialist.',
            default => 'Some colours are not told apart surely on this screen. Let another reader read the cards, '.
                'or read by photo. A screening, no diagnosis: ask an eye specialist.',
        };
    }
}
