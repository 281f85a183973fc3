<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Routing\Route;

/**
 * What somebody is in a studio. An owner may do all; a fitter all but what concerns people, data and the studio itself; the front desk
 * sees players and sheets and no judging; a guest screen reads one bay.
 */
enum Role: string
{
    case Owner = 'owner';
    case Fitter = 'fitter';
    case Desk = 'desk';
    case Guest = 'guest';

    /** Of the owner alone, by the beginning of the address. */
    private const OWNERS = [
        'api/people', 'api/studio/rules', 'api/data', 'api/operations',
    ];

    /** Everybody's who is signed in: oneself. */
    private const OWN = ['GET api/session', 'DELETE api/session', 'POST api/session/lock', 'POST api/session/unlock'];

    private const ACCOUNT = [
        'GET api/account', 'PUT api/account/password', 'POST api/account/second-factor', 'PUT api/account/second-factor',
        'DELETE api/account/second-factor', 'POST api/account/recovery-codes', 'DELETE api/account/sign-ins/{signIn}',
        'DELETE api/account/sign-ins',
    ];

    /** Who comes, who they are, and what was handed over. */
    private const DESK = [
        'GET api/today',
        'GET api/fittings', 'POST api/fittings', 'GET api/players', 'GET api/fittings/{fitting}', 'GET api/fittings/{fitting}/decisions',
        'GET api/decisions/{decision}', 'GET api/players/{player}', 'PATCH api/players/{player}/consent',
        'GET api/players/{player}/links', 'POST api/players/{player}/links', 'DELETE api/players/{player}/links/{link}',
        'GET api/calendar', 'POST api/calendar/feed', 'DELETE api/calendar/feed', 'POST api/appointments',
        'PATCH api/appointments/{appointment}',
        'GET api/appointments/{appointment}/calendar.ics', 'POST api/appointments/{appointment}/fitting', 'GET api/studio-log',
        'GET api/fittings/{fitting}/report',
        'GET api/fittings/{fitting}/report.pdf', 'GET api/fittings/{fitting}/build.pdf', 'GET api/orders', 'GET api/orders.csv',
        'PATCH api/orders/{order}',
        'POST api/studio-log/{entry}/undo',
    ];

    private const GUEST = ['GET api/screen', 'GET api/fittings/{fitting}/bay'];

    public function may(string $method, string $uri): bool
    {
        $asked = ($method === 'HEAD' ? 'GET' : $method).' '.$uri;
        $isOwners = array_filter(self::OWNERS, static fn (string $o): bool => $uri === $o || str_starts_with($uri, $o.'/')) !== [];

        return in_array($asked, self::OWN, true) || match ($this) {
            self::Owner => true,
            self::Fitter => ! $isOwners,
            self::Desk => in_array($asked, [...self::ACCOUNT, ...self::DESK], true),
            self::Guest => in_array($asked, self::GUEST, true),
        };
    }

    public function mayTake(Route $route, string $method): bool
    {
        return $this->may($method, $route->uri());
    }

    /** Owner and fitter see judging, pain and what becomes of a ball. */
    public function isFitter(): bool
    {
        return in_array($this, [self::Owner, self::Fitter], true);
    }

    public function words(): string
    {
        return match ($this) {
            self::Owner => 'an owner',
            self::Fitter => 'a fitter',
            self::Desk => 'the front desk',
            self::Guest => 'a guest screen',
        };
    }
}
