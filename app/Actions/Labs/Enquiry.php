<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Models\ConsignedPortion;
use App\Models\Consignment;

/** The letter to a lab whose report is late, ready to be sent. */
final class Enquiry
{
    public function __invoke(Consignment $consignment, string $name, string $site): string
    {
        $codes = $consignment->contents
            ->map(static fn (ConsignedPortion $one): string => $one->portion->code)
            ->implode(', ');
        $sent = $consignment->sent_at?->format('j F Y') ?? 'the day of our list';
        $late = $consignment->daysLate();
        $state =
            $consignment->state === 'sent'
                ? 'Could you tell us whether it has arrived, and when the report may be expected?'
                : 'Could you tell us when the report may be expected?';

        return implode("\n", [
            "To {$consignment->lab->name}",
            '',
            "On {$sent} we sent you consignment {$consignment->number} from {$site}, ".
            count($consignment->contents).
            " samples: {$codes}.",
            ($late > 0
                ? "The report was expected on {$consignment->expected_on?->format('j F Y')}, ".
                    ($late === 1 ? 'one working day' : "{$late} working days").
                    ' ago. '
                : '').$state,
            'If a sample did not arrive or cannot be measured, please say so at once: we keep archive portions and '.
                'can send another.',
            '',
            "With thanks, {$name}",
        ]);
    }
}
