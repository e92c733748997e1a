<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use HonestCore\Agreement\Assessment;
use HonestCore\Agreement\Holm;
use HonestCore\Agreement\Verdict;

/** All claims of all tests of an analyte that are judged, held to one error rate. */
final readonly class Family
{
    private const CLAIMS = ['sort', 'rate', 'track'];

    private function __construct(private Holm $holm) {}

    /** @param list<Evidence> $all of each test, judged for itself */
    public static function of(array $all, float $confidence): self
    {
        $claims = [];
        foreach ($all as $evidence) {
            $alone = $evidence->judged($confidence);
            foreach (self::CLAIMS as $claim) {
                if (! in_array($alone->{$claim}->verdict, [Verdict::Untested, Verdict::Unable], true)) {
                    $claims["{$evidence->test->id} {$claim}"] = static fn (float $at): bool => $evidence->judged($at)->{$claim}
                        ->verdict === Verdict::Stands;
                }
            }
        }

        return new self(Holm::of($claims, $confidence));
    }

    /** What is left of a test's verdicts among the others. */
    public function hold(int $test, Assessment $alone): Assessment
    {
        foreach (self::CLAIMS as $claim) {
            if ($alone->{$claim}->verdict === Verdict::Stands && ! $this->holm->stands("{$test} {$claim}")) {
                $alone = $alone->withOpen($claim, $this->holm->why());
            }
        }

        return $alone;
    }
}
