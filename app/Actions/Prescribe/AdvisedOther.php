<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Models\Reading;
use App\Models\Sample;
use App\Models\SignedVerdict;
use HonestCore\Amounts\ActionAdvice;
use HonestCore\Analyte\Analyte;

/** What one analyte calls for, and the reading and the verdict that it rests on. */
final readonly class AdvisedOther
{
    public function __construct(
        public Analyte $analyte,
        public ActionAdvice $advice,
        public Sample $sample,
        public ?Reading $reading,
        public ?SignedVerdict $verdict,
        public ?string $differ,
    ) {}
}
