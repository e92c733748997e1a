<?php

declare(strict_types=1);

namespace HonestCore\Custody;

use HonestCore\Error\ValueOutOfRange;

/**
 * Code of a composite sample or of one of its portions: site letters, year, number, portion letter and a
 * check character, such as QH26-07-4 and QH26-07L-W.
 */
final readonly class SampleCode
{
    private function __construct(public string $text) {}

    /** @throws ValueOutOfRange */
    public static function ofSample(string $siteLetters, int $year, int $number, string $portion = ''): self
    {
        if (preg_match('/^[A-Z]{2,3}$/D', $siteLetters) !== 1) {
            throw new ValueOutOfRange('letters_site', ['site_letters' => $siteLetters]);
        }
        if ($number < 1 || $number > 99_999) {
            throw new ValueOutOfRange('number_sample', ['value' => $number, 'low' => 1, 'high' => 99999]);
        }
        $stem = sprintf('%s%02d-%02d%s', $siteLetters, $year % 100, $number, $portion);

        return new self($stem.'-'.CheckCharacter::of($stem));
    }
}
