<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use HonestCore\Analyte\Analytes;
use HonestCore\Analyte\SoilUnit;
use HonestCore\Quantity\AreaRate;
use HonestCore\Quantity\DepthLayer;

final class TurnUnitsCommand extends ContractCommand
{
    private const CM_PER_INCH = 2.54;

    protected $signature = 'units:turn
        {--analyte= : code of the analyte, as p or k}
        {--value= : the figure as it was reported}
        {--unit=ppm : its unit}
        {--form= : what it is of, as P2O5; empty for the element}
        {--depth=0-6in : the layer that it stands for}
        {--json : print one JSON document}';

    protected $description = 'A reported figure in the home unit, in pounds an acre of its layer, and as each form labs report';

    protected function facts(): array
    {
        $code = (string) $this->text('analyte');
        $analyte = Analytes::find($code) ??
            throw BadInput::because('--analyte', "\"{$code}\" is no analyte code", implode(', ', Analytes::codes()));
        $value = $this->requiredNumber('value');
        $layer = DepthLayer::parse((string) $this->text('depth'), '--depth');
        $inches = $layer->thicknessCm() / self::CM_PER_INCH;
        $form = (string) $this->text('form');
        if ($form !== '' && ! in_array($form, $analyte->forms, true)) {
            throw BadInput::because('--form', "\"{$form}\" is no form of it", implode(', ', $analyte->forms));
        }
        $home = SoilUnit::toHome($code, $value, SoilUnit::named((string) $this->text('unit')), $form, $layer->thicknessCm());
        $isMass = $analyte->homeUnit === 'ppm';
        $perPpm = (AreaRate::LB_PER_ACRE_INCH / 1e6) * $inches;

        return [
            'analyte' => $code,
            'home_value' => $home,
            'home_unit' => $analyte->isUnitless() ? null : SoilUnit::named($analyte->homeUnit)->symbol(),
            ...AreaRate::shown($isMass ? $home * $perPpm : null),
            'forms' => $isMass
                ? array_map(static function (string $one) use ($code, $home, $perPpm): array {
                    $ppm = $home / SoilUnit::toHome($code, 1.0, SoilUnit::named('ppm'), $one);

                    return ['form' => $one, 'ppm' => $ppm, 'lb_per_acre' => $ppm * $perPpm];
                }, $analyte->forms)
                : [],
            'reasons' => ['An acre-inch of soil is taken to weigh 300,000 lb.'],
        ];
    }
}
