<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Models\Consignment;
use App\Models\LabReport;
use App\Models\User;

/** A consignment as it is looked at: its reports, and the letter to the lab in the name of whoever looks. */
final class ViewConsignment
{
    public function __construct(private readonly Enquiry $enquiry, private readonly LabSimulator $simulator) {}

    public function __invoke(Consignment $consignment, User $reader): ConsignmentView
    {
        $consignment->refresh()->shown();
        $site = $consignment->contents->first()?->portion->sample?->site->name ?? 'our ground';
        /** @var array<string, int> $taken */
        $taken = LabReport::query()
            ->whereIn('sha256', $consignment->reports->pluck('sha256')->all())
            ->pluck('id', 'sha256')
            ->all();

        return new ConsignmentView(
            $consignment,
            $taken,
            ($this->enquiry)($consignment, $reader->name, $site),
            $consignment->reference !== '' && $this->simulator->isThere(),
        );
    }
}
