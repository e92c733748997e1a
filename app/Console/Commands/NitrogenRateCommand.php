<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use HonestCore\Amounts\NitrogenCredits;
use HonestCore\Amounts\NitrogenRate;
use HonestCore\Amounts\NitrogenSplits;
use HonestCore\Quantity\DepthLayer;

final class NitrogenRateCommand extends ContractCommand
{
    protected $signature = 'nitrogen:rate
        {--need= : what the crop needs, lb N/acre}
        {--psnt= : pre-side-dress nitrate, ppm NO3-N}
        {--layer=0-12in : layer that the nitrate test stands for}
        {--u=0 : standard uncertainty of the nitrate test, ppm}
        {--legume=0 : credit of a legume, lb/acre}
        {--applied=0 : nitrogen spread already, lb/acre}
        {--irrigation-ppm= : NO3-N in the irrigation water, ppm}
        {--irrigation-in= : irrigation water, inches}
        {--manure-tons= : manure, tons/acre}
        {--manure-nh4= : its ammonium nitrogen, lb/ton}
        {--manure-organic= : its organic nitrogen, lb/ton}
        {--manure-kept=0.5 : share of its ammonium that is kept}
        {--manure-mineral=0.35 : share of its organic nitrogen that is mineralised}
        {--splits=0:1 : day:share parted by commas}
        {--cec= : exchange capacity, cmol/kg}
        {--cap=30 : most in a dressing on a CEC below 5, lb N/acre}
        {--json : print one JSON document}';

    protected $description = 'Nitrogen by crop and credits, or by a pre-side-dress nitrate test';

    protected function facts(): array
    {
        [$need, $psnt] = [$this->within('need', 0), $this->within('psnt', 0)];
        if (($need === null) === ($psnt === null)) {
            throw BadInput::because(
                '--need, --psnt',
                $need === null ? 'neither is given' : 'both are given',
                'one of them',
            );
        }
        $credits = $this->credits();
        $splits = NitrogenSplits::parse((string) $this->text('splits'));
        $layer = DepthLayer::parse((string) $this->text('layer'), '--layer');
        $u = $this->requiredWithin('u', 0);
        $rate =
            $need !== null ? NitrogenRate::byCrop($need, $credits) : NitrogenRate::byNitrate((float) $psnt, $layer, $u);

        return $rate->toArray($splits, $this->within('cec', 0), $this->requiredWithin('cap', 0, aboveLow: true));
    }

    /** @throws BadInput */
    private function credits(): NitrogenCredits
    {
        [$ppm, $inches, $tons, $ammonium, $organic] = [
            $this->within('irrigation-ppm', 0),
            $this->within('irrigation-in', 0),
            $this->within('manure-tons', 0),
            $this->within('manure-nh4', 0),
            $this->within('manure-organic', 0),
        ];
        if (($ppm === null) !== ($inches === null)) {
            throw BadInput::because(
                '--irrigation-ppm, --irrigation-in',
                'only one of them is given',
                'both, or neither',
            );
        }
        if (($tons === null) !== ($ammonium === null && $organic === null)) {
            throw BadInput::because(
                '--manure-tons, --manure-nh4, --manure-organic',
                $tons === null ? 'the tons are missing' : 'what is in it is missing',
                'the tons with what is in them, or none of them',
            );
        }

        return NitrogenCredits::of(
            $this->requiredWithin('legume', 0),
            $this->requiredWithin('applied', 0),
            $tons ?? 0.0,
            $ammonium ?? 0.0,
            $organic ?? 0.0,
            $this->requiredWithin('manure-kept', 0, 1),
            $this->requiredWithin('manure-mineral', 0, 1),
            $ppm ?? 0.0,
            $inches ?? 0.0,
        );
    }
}
