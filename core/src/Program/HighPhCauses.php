<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * What is asked before anything is spread against a high pH, and the answers that are kept on the area.
 *
 * Domain: the questions of data/sulphur.json; answers yes, no or not known, with words of up to 300 letters.
 * Source: common practice: at field scale a high pH is often drainage, salts, water or lost topsoil first.
 */
final readonly class HighPhCauses
{
    public const ANSWERS = ['yes', 'no', 'unknown'];

    /** @return array<string, string> the questions by code */
    public static function questions(): array
    {
        $table = new Fields(RuleTable::named('sulphur'));
        $asked = [];
        foreach ($table->named('ask') as $code => $question) {
            $asked[$code] = is_string($question) ? $question : '';
        }

        return [...$asked, 'carbonate' => $table->text('ask_carbonate')];
    }

    /** @throws ValueOutOfRange */
    public static function check(string $question, string $answer): void
    {
        if (! isset(self::questions()[$question]) || ! in_array($answer, self::ANSWERS, true)) {
            throw new ValueOutOfRange('cause_of_high_ph', [
                'question' => mb_substr($question, 0, 40),
                'known' => implode(', ', array_keys(self::questions())),
            ]);
        }
    }

    /**
     * @param array<string, string> $answers by question
     * @param bool|null $fizzes what the bench saw, which answers the question about carbonate
     * @return list<string> questions that nobody has answered, in words
     */
    public static function open(array $answers, ?bool $fizzes = null): array
    {
        if ($fizzes !== null && ($answers['carbonate'] ?? 'unknown') === 'unknown') {
            $answers['carbonate'] = 'no';
        }

        return array_values(
            array_filter(
                self::questions(),
                static fn (string $code): bool => ($answers[$code] ?? 'unknown') === 'unknown',
                ARRAY_FILTER_USE_KEY,
            ),
        );
    }
}
