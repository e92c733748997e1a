<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Models\Area;
use App\Models\LocalFactorInUse;
use App\Models\ProgramDraft;
use App\Models\SignedVerdict;
use App\Models\Site;
use HonestCore\Program\LocalFactor;
use HonestCore\Program\PartProgram;
use HonestCore\Program\ProgramChoices;
use HonestCore\Program\SiteRates;
use HonestCore\Program\WantedCrop;
use Illuminate\Database\Eloquent\Collection;

/** The program of an area for one crop, from its results, what somebody chose, the shelf, and the tables of its site. */
final class ComposeProgram
{
    /** @var list<LocalFactor>|null */
    private ?array $factors = null;

    public function __construct(
        private readonly GatherParts $gather,
        private readonly Shelf $shelf,
        private readonly OwnTables $tables,
    ) {}

    /** @return list<LocalFactor> that a reviewer put to use */
    private function factors(): array
    {
        return $this->factors ??= array_values(
            LocalFactorInUse::inUse()->get()->map(static fn (LocalFactorInUse $one): LocalFactor => $one->factor)->all(),
        );
    }

    /** @return Collection<int, Area> the areas of a site with all that their programs are made from */
    public function areasOf(Site $site): Collection
    {
        $areas = Area::ofSite($site->id, [...GatherParts::needs(), 'drafts']);
        $this->gather->prepare($areas);

        return $areas;
    }

    public function __invoke(Area $area, ProgramChoices $choices): Composed
    {
        $area->loadMissing('site');

        return $this->tables->with($area->site_id, function () use ($area, $choices): Composed {
            $crop = WantedCrop::of($choices->crop);
            $gathered = ($this->gather)($area, $crop, $choices);
            $today = new \DateTimeImmutable(now($area->site->timezone)->format('Y-m-d'));
            $shelf = $this->shelf->all();
            $factors = $this->factors();
            $parts = array_map(
                static fn (GatheredPart $part): PartProgram => PartProgram::of(
                    $part->results,
                    $crop,
                    $part->wants,
                    $choices,
                    $shelf,
                    $today,
                    $factors,
                ),
                $gathered,
            );

            $used = $this->tables->used($area->site_id);

            return new Composed(
                $area,
                $crop,
                $choices,
                $gathered,
                $parts,
                $used,
                self::body($area, $crop, $choices, $gathered, $parts, $used),
            );
        });
    }

    /** What is chosen where nobody has chosen yet: the usual crop of the ground at its usual yield, the schools of the site. */
    public function usual(Area $area, ?string $crop = null, ?int $season = null): ProgramChoices
    {
        $area->loadMissing('site');

        return $this->tables->with($area->site_id, static function () use ($area, $crop, $season): ProgramChoices {
            $wanted = $crop === null ? WantedCrop::usualFor($area->use) : WantedCrop::of($crop);
            $today = now($area->site->timezone)->format('Y-m-d');
            $year = $season ?? (int) substr($today, 0, 4);
            $plantOn = "{$year}-{$wanted->plantedOn()}";

            return ProgramChoices::fromRow([
                'crop' => $wanted->code,
                'yield' => $wanted->yield()['usual'] ?? null,
                'lime_school' => $area->site->lime_school,
                'nutrient_school' => $area->site->nutrient_school,
                'plant_on' => $season === null && $plantOn < $today ? ($year + 1)."-{$wanted->plantedOn()}" : $plantOn,
            ]);
        });
    }

    /** What was chosen in the newest draft, or what is usual. */
    public function chosen(Area $area, ?string $crop = null): ProgramChoices
    {
        $draft = $area->loadMissing('drafts')->drafts->sortByDesc(
            static fn (ProgramDraft $one): array => [(string) $one->updated_at, $one->id],
        )->first(
            static fn (ProgramDraft $one): bool => $crop === null || $one->crop === $crop,
        );

        return $draft === null ? $this->usual($area, $crop) : $draft->choices;
    }

    /**
     * @param list<GatheredPart> $gathered
     * @param list<PartProgram> $parts
     * @param list<array<string, mixed>> $tables
     * @return array<string, mixed>
     */
    private static function body(
        Area $area,
        WantedCrop $crop,
        ProgramChoices $choices,
        array $gathered,
        array $parts,
        array $tables,
    ): array {
        $verdicts = [];
        foreach ($gathered as $part) {
            $verdicts += $part->verdicts();
        }

        return [
            'area' => ['name' => $area->name, 'use' => $area->crop()->name, 'area_m2' => $area->area_m2],
            'site' => [
                'name' => $area->site->name,
                'address' => $area->site->address,
                'units' => $area->site->units,
                'timezone' => $area->site->timezone,
            ],
            'crop' => ['code' => $crop->code, 'name' => $crop->name, 'yield_unit' => $crop->yield()['unit'] ?? null, 'why' => $crop->why],
            'plant_on' => $choices->plantOn,
            'yield' => $choices->yield,
            'nutrient_school' => $choices->bySufficiency ? 'sufficiency' : 'build',
            'parts_planned' => $gathered === [] ? 1 : $gathered[0]->planned,
            'parts' => array_map(
                static fn (PartProgram $part, GatheredPart $of): array => [
                    ...$part->toArray($choices->bedM2(), SiteRates::of($area->site->units)),
                    'readings' => $of->readings(),
                    'geometry' => $of->geometry,
                ],
                $parts,
                $gathered,
            ),
            'verdicts' => array_values(
                array_map(
                    static fn (SignedVerdict $one): array => [
                        'id' => $one->id,
                        'test' => $one->method->name,
                        'claim' => $one->claim,
                        'verdict' => $one->verdict,
                        'policy' => $one->policy->version,
                    ],
                    $verdicts,
                ),
            ),
            'tables' => $tables,
        ];
    }
}
