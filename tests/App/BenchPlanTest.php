<?php

declare(strict_types=1);

use MintCarry\Core\Fitting\Brief;

it('tells what to lay out by heads of the rack, from which setups are made', function (): void {
    $user = $this->fitter();
    $fitting = $this->fitting($user, 'right', new Brief(miss: 'right', swings: 40, money: 300, currency: 'EUR'));
    $this->actingAs($user);
    expect($this->getJson("api/fittings/{$fitting->id}/bench-plan")->assertOk()->json('nothing'))->toContain('No head of a right-hander');
    $this->addSetup($fitting);
    $head = $this->rackHead($user, ['supply' => ['inStock' => false, 'leadDays' => 12, 'price' => 420, 'currency' => 'EUR']]);
    $plan = $this->getJson("api/fittings/{$fitting->id}/bench-plan")->assertOk()->json();
    expect($plan['items'][0]['headId'])->toBe($head['id'])->and($plan['items'][0])->toMatchArray([
        'inStock' => false, 'leadDays' => 12, 'isTooDear' => true, 'missing' => ['loftDeg', 'lieDeg', 'faceOpenDeg', 'massG'],
    ])->and($plan['own']['missing'])->toContain('swing weight')->and($plan['budget'])->toEqual(40);
    foreach ($plan['items'] as $item) {
        $this->postJson("api/fittings/{$fitting->id}/setups", ['headId' => $item['headId'], 'sleeveLabel' => $item['sleeve'], 'masses' => $item['masses']])
            ->assertCreated();
    }
});
