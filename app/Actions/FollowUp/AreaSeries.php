<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Models\Area;
use App\Models\Control;
use HonestCore\Analyte\Analyte;
use HonestCore\FollowUp\GroundAct;
use HonestCore\FollowUp\SoilSeries;
use HonestCore\FollowUp\WatchedReading;

/** One analyte of an area over the years, with all that stands beside it. */
final readonly class AreaSeries
{
    /**
     * @param list<string> $analytes that there are
     * @param array<int, SoilSeries> $ofControls by control
     * @param list<Control> $controls
     * @param list<GroundAct> $acts
     * @param list<WatchedReading> $watched
     */
    public function __construct(
        public Area $area,
        public Analyte $analyte,
        public array $analytes,
        public SoilSeries $treated,
        public array $ofControls,
        public array $controls,
        public array $acts,
        public array $watched,
        public string $scatter,
    ) {}
}
