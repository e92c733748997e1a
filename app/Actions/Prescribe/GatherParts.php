<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Database\Values;
use App\Models\Area;
use App\Models\JudgingPolicy;
use App\Models\Sample;
use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Agronomy\Texture;
use HonestCore\Analyte\Analytes;
use HonestCore\FollowUp\GroundAct;
use HonestCore\Program\PartResults;
use HonestCore\Program\ProgramChoices;
use HonestCore\Program\WantedCrop;
use HonestCore\Program\WaterNear;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Quantity\Extent;
use HonestCore\Table\Number;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;

/** All that is known of an area, or of each of its parts, that a program is made from. */
final class GatherParts
{
    private const HEARD = [
        'p', 'k', 'ca', 'mg', 's', 'zn', 'mn', 'cu', 'fe', 'b', 'om', 'cec', 'no3n', 'ec', 'pb', 'as', 'sand', 'silt', 'clay',
    ];

    private const METALS = ['pb', 'as'];

    /** The band of a fizz test that means carbonate. */
    private const FIZZ = 'carbonate';

    private const OFF_BY = 2.0;

    /** @var Collection<string, JudgingPolicy>|null */
    private ?Collection $policies = null;

    public function __construct(private readonly Recommend $recommend, private readonly Hear $hear, private readonly WhatStands $stands) {}

    /** @param Collection<int, Area> $areas with what needs() names, that will be gathered one by one */
    public function prepare(Collection $areas): void
    {
        $this->recommend->plans->prepare($areas, true);
    }

    /** @return list<GatheredPart> */
    public function __invoke(Area $area, WantedCrop $crop, ProgramChoices $choices): array
    {
        $area->loadMissing(self::needs());
        $it = ($this->recommend)($area, LimeMaterial::reference(), $choices->mixedIn, null, $crop);
        $samples = $this->samples($area);
        $grounds = $it->parts === [] ? [] : $this->grounds($area, $it->parts[0]->sample->plan_id ?? 0);
        $asked = $it->parts === [] ? [$it->chosen] : $it->parts;
        $near = $this->isNearWater($area);
        $causes = $area->phAnswers->sortBy('id')->pluck('answer', 'question')->map(Values::text(...))->all();
        $parts = [];
        foreach ($asked as $one) {
            $number = $it->parts === [] ? 0 : $one->sample->composite ?? 0;
            $own = $it->parts === []
                ? $samples
                : array_values(
                    array_filter(
                        $samples,
                        static fn (Sample $sample): bool => $sample->plan_id === $one->sample?->plan_id &&
                            $sample->composite === $number,
                    ),
                );
            $parts[] = $this->part($area, $one, $own, $number, $grounds[$number] ?? null, $it, $near, $causes);
        }

        return $parts;
    }

    /**
     * @param list<Sample> $samples the newest first
     * @param array<string, string> $causes
     */
    private function part(
        Area $area,
        Advised $by,
        array $samples,
        int $number,
        ?PartOfGround $ground,
        Recommendation $it,
        bool $near,
        array $causes,
    ): GatheredPart {
        $heard = [];
        foreach (self::HEARD as $code) {
            $found = $this->heard($area, $samples, $code);
            if ($found !== null) {
                $heard[$code] = $found;
            }
        }
        $sample = $by->sample ?? ($samples[0] ?? null);
        $facts = $area->knownFacts();

        return new GatheredPart(
            new PartResults(
                $number,
                $number === 0 ? $area->name : "Part {$number}",
                Extent::ofSquareMetres($ground->squareMetres ?? $area->area_m2),
                $sample === null ? null : DepthLayer::parse($sample->depth),
                $sample === null ? '' : $sample->code,
                $by->advice,
                $by->lab,
                self::whosePh($by),
                $by->phClaim(),
                $number === 0 ? $it->disagreements : [],
                array_map(static fn (HeardReading $one) => $one->heard, $heard),
                $this->metals($samples),
                $this->inQuestion($samples),
                $sample === null ? [] : $this->spreadBefore($area, $sample),
                self::texture($facts->textures, $heard),
                $this->fizzes($samples),
                $causes,
                $near,
                $facts->suspect(),
            ),
            $by,
            $it->crop,
            $heard,
            $ground->geometry ?? $area->boundary,
            $it->partsPlanned,
        );
    }

    private static function whosePh(Advised $by): string
    {
        $reading = $by->labReading ?? $by->kitReading;
        if ($by->pooled !== null) {
            return 'The mean of '.count($by->pooled->values).' composites: '.implode(', ', array_keys($by->pooled->values));
        }

        return $by->sample === null || $reading === null ? '' : Hear::words($by->sample, $reading);
    }

    /**
     * The newest composite in which something of it stands decides.
     *
     * @param list<Sample> $samples
     */
    private function heard(Area $area, array $samples, string $code): ?HeardReading
    {
        $this->policies ??= JudgingPolicy::query()->orderByDesc('version')->get()->unique('analyte')->keyBy('analyte');
        foreach ($samples as $sample) {
            if ($this->stands->readings($sample, $code) !== []) {
                return $this->hear->of($sample, $area, $code, $this->policies->get($code));
            }
        }

        return null;
    }

    /** @return array<int|string, string|\Closure> what is loaded with areas whose parts are gathered */
    public static function needs(): array
    {
        return [
            'site.landmarks',
            'groundEvents',
            'phAnswers',
            'measured' => static fn (HasMany $samples) => $samples
                ->whereHas('readings')
                ->orderByDesc('pulled_on')
                ->orderByDesc('number')
                ->limit(Recommend::NEWEST),
            ...array_map(static fn (string $with): string => "measured.{$with}", WhatStands::READ_BY),
            ...Recommend::needs(),
        ];
    }

    /** @return list<Sample> the newest first, those whose layer begins at the surface */
    private function samples(Area $area): array
    {
        return array_values(
            $area->measured->filter(static fn (Sample $sample): bool => DepthLayer::parse($sample->depth)->topCm === 0.0)->all(),
        );
    }

    /** @return array<int, PartOfGround> by the number of the composite */
    private function grounds(Area $area, int $plan): array
    {
        $plan = $this->recommend->plans->laidOut($plan);

        return $plan === null ? [] : PartOfGround::of($plan);
    }

    private function isNearWater(Area $area): bool
    {
        return WaterNear::of(
            $area->boundary,
            array_values(
                $area->site->landmarks
                    ->map(static fn ($one): array => ['name' => $one->name, 'geometry' => $one->geometry])
                    ->all(),
            ),
        );
    }

    /**
     * @param list<Sample> $samples
     * @return array<string, list<array{float, bool}>>
     */
    private function metals(array $samples): array
    {
        $found = [];
        foreach (self::METALS as $code) {
            foreach ($samples as $sample) {
                foreach ($this->stands->readings($sample, $code, 'lab') as $reading) {
                    $bound = str_starts_with(trim($reading->as_reported), '<');
                    $value = $reading->value ?? ($bound ? Number::parse(trim(substr(trim($reading->as_reported), 1))) : null);
                    if ($value !== null && $value > 0) {
                        $found[$code][] = [(float) $value, $bound];
                    }
                }
            }
        }

        return $found;
    }

    /**
     * @param list<Sample> $samples
     * @return list<string>
     */
    private function inQuestion(array $samples): array
    {
        $words = [];
        foreach ($samples as $sample) {
            foreach ($sample->readings as $reading) {
                if ($this->stands->isDoubted($reading) && $reading->correction === null) {
                    $name = Analytes::get($reading->method->analyte)->name;
                    $words[] = "{$name} of {$sample->code}: the lab was asked, and nobody has answered.";
                }
            }
        }

        return array_values(array_unique($words));
    }

    /** @return list<string> */
    private function spreadBefore(Area $area, Sample $sample): array
    {
        $pulled = $sample->pulled_on->format('Y-m-d');

        return array_map(
            static fn (GroundAct $act): string => "{$act->what} was spread on {$act->from}, {$sample->code} pulled on {$pulled}.",
            $area->groundHistory()->shortlyBefore(new \DateTimeImmutable($pulled)),
        );
    }

    /**
     * @param list<Sample> $samples
     */
    private function fizzes(array $samples): ?bool
    {
        foreach ($samples as $sample) {
            foreach ($this->stands->readings($sample, 'ph', 'bench') as $reading) {
                if ($reading->band !== null && $reading->method->scale()?->named(self::FIZZ) !== null) {
                    return $reading->band === self::FIZZ;
                }
            }
        }

        return null;
    }

    /**
     * @param list<string> $said of the area
     * @param array<string, HeardReading> $heard
     * @return 'sand'|'loam'|'clay'|null by the lab's texture, else by what is said of the area
     */
    private static function texture(array $said, array $heard): ?string
    {
        [$sand, $silt, $clay] = array_map(
            static fn (string $code): ?float => ($heard[$code] ?? null)?->heard->value(),
            ['sand', 'silt', 'clay'],
        );
        $class = '';
        if ($sand !== null && $silt !== null && $clay !== null && abs($sand + $silt + $clay - 100) <= self::OFF_BY) {
            $class = Texture::ofPercent($sand, $silt, $clay)->className();
        }

        return match (true) {
            str_contains($class, 'clay') && ! str_contains($class, 'loam') => 'clay',
            in_array($class, ['sand', 'loamy sand'], true) => 'sand',
            $class !== '' => 'loam',
            in_array('clay', $said, true) => 'clay',
            in_array('loam', $said, true), in_array('silt', $said, true) => 'loam',
            in_array('sand', $said, true) => 'sand',
            default => null,
        };
    }
}
