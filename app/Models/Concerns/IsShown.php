<?php

declare(strict_types=1);

namespace App\Models\Concerns;

/** A record that is shown with others: SHOWN_WITH names them. */
trait IsShown
{
    public function shown(): static
    {
        return $this->load(self::SHOWN_WITH);
    }
}
