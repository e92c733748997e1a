<?php

declare(strict_types=1);

namespace HonestCore\Reports;

/** Something a file leaves open, in words; where it hides what a number is, the number has no home value. */
final readonly class Doubt
{
    /**
     * @param string $kind unit, misfit, form, extractant, buffer, scooped, moles, layer, several, rating, number,
     *                     cell, depth, range or sample
     * @param bool $hides is the home value unknown as long as nobody answers?
     */
    public function __construct(public string $kind, public string $words, public bool $hides) {}
}
