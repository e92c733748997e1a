<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Error\Bounds;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Table\RuleTable;

/**
 * What a lime requirement is asked from: the pH and what is wanted, the readings of the schools, the layer, the stone.
 *
 * Quantity and unit: pH in water; readings are pH in the school's buffer, or mg CaCO3 for each kg and pH unit for the
 * capacity;
 *   mixing depth in inches; organic matter in percent; standard uncertainties in pH units.
 * Domain: pH and target 3 to 10, buffers 3 to 9, capacity and depth above 0, organic matter 0 to 100, uncertainties 0
 * or more.
 */
final readonly class LimeQuestion
{
    private const CM_PER_INCH = 2.54;

    /** @param array<string, float> $readings by the code of their school */
    private function __construct(
        public float $ph,
        public float $target,
        public array $readings,
        public DepthLayer $sampled,
        public ?float $mixedIn,
        public LimeMaterial $material,
        public ?float $organicMatter,
        public float $uPh,
        public float $uBuffer,
    ) {}

    /**
     * @param array<string, float|null> $readings by the code of their school
     *
     * @throws ValueOutOfRange
     */
    public static function of(
        float $ph,
        float $target,
        array $readings,
        ?DepthLayer $sampled = null,
        ?float $mixedIn = null,
        ?LimeMaterial $material = null,
        ?float $organicMatter = null,
        ?float $uPh = null,
        ?float $uBuffer = null,
    ): self {
        Bounds::within('amendment_ph', $ph, 3, 10);
        Bounds::within('amendment_target', $target, 3, 10);
        $given = array_filter($readings, is_float(...));
        foreach ($given as $school => $value) {
            $by = LimeSchool::from($school);
            $by === LimeSchool::Capacity
                ? Bounds::between('buffer_capacity', $value, 0, INF, ['unit' => 'mg/kg'])
                : Bounds::within('lime_buffer', $value, 3, 9, ['title' => $by->title()]);
        }
        Bounds::between('mixing_depth', $mixedIn, 0, INF);
        Bounds::within('organic_matter', $organicMatter, 0, 100);
        Bounds::within('uncertainty_of_the_ph', $uPh, 0, INF);
        Bounds::within('uncertainty_of_the_buffer', $uBuffer, 0, INF);
        /** @var array{usual_u_ph: float, usual_u_buffer: float} $table */
        $table = RuleTable::named('lime-schools');

        return new self(
            $ph,
            $target,
            $given,
            $sampled ?? DepthLayer::ofInches(0, 6),
            $mixedIn,
            $material ?? LimeMaterial::reference(),
            $organicMatter,
            $uPh ?? $table['usual_u_ph'],
            $uBuffer ?? $table['usual_u_buffer'],
        );
    }

    /** The bottom of the sampled layer, in inches. */
    public function bottomIn(): float
    {
        return $this->sampled->bottomCm / self::CM_PER_INCH;
    }

    /** The depth that lime is sized for, in inches: no deeper than was sampled, no deeper than it is mixed. */
    public function depthIn(): float
    {
        return min($this->bottomIn(), $this->mixedIn ?? INF);
    }

    /** The same with another pH or reading, as its uncertainty would have it. */
    public function at(float $ph, LimeSchool $school, float $reading): self
    {
        return new self(
            $ph,
            $this->target,
            [$school->value => $reading],
            $this->sampled,
            $this->mixedIn,
            $this->material,
            $this->organicMatter,
            $this->uPh,
            $this->uBuffer,
        );
    }
}
