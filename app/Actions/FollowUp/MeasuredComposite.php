<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Database\Values;

/** A lab's number of one composite, as it stands beside its plan and day. */
final readonly class MeasuredComposite
{
    private function __construct(
        public int $area,
        public int $plan,
        public int $composite,
        public string $on,
        public string $depth,
        public string $code,
        public int $cores,
        public int $method,
        public float $value,
        public int $control,
    ) {}

    public static function of(\stdClass $row): self
    {
        return new self(
            Values::whole($row->area_id),
            Values::whole($row->plan_id),
            Values::whole($row->composite),
            substr(Values::text($row->pulled_on), 0, 10),
            Values::text($row->depth),
            Values::text($row->code),
            Values::whole($row->cores_pulled),
            Values::whole($row->method_id),
            is_numeric($row->value) ? (float) $row->value : NAN,
            Values::whole($row->control_id ?? 0),
        );
    }
}
