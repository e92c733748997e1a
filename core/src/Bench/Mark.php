<?php

declare(strict_types=1);

namespace HonestCore\Bench;

/**
 * One line of a run's log: what was done to which tube, when.
 *
 * Quantity and unit: the moment in milliseconds since 1970, by the clock of the device that leads the run.
 */
final readonly class Mark
{
    public const BEGIN = 'begin';

    public const END = 'end';

    public const READ = 'read';

    /** Something broke the protocol: a spill, a cloudy liquid. */
    public const INCIDENT = 'incident';

    /** The tube is emptied and begun anew. */
    public const AGAIN = 'again';

    public const GIVE_UP = 'give-up';

    public const UNDO = 'undo';

    public const KINDS = [self::BEGIN, self::END, self::READ, self::INCIDENT, self::AGAIN, self::GIVE_UP, self::UNDO];

    public function __construct(
        public string $uuid,
        public string $kind,
        public int $tube,
        public int $atMs,
        public string $step = '',
        public string $reader = '',
        public string $typed = '',
        public ?string $between = null,
        public string $code = '',
        public string $undoes = '',
    ) {}
}
