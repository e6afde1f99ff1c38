'use client';
import { useQuery } from '@tanstack/react-query';
import Link from 'next/link';
import type { DeliveryProgress } from '@/server/services';
import { api } from '../shared/api';
import { WhatIs } from '../shared/what-is';
import { DeliveryCard } from './delivery-card';

/** What went out, newest first. */
export function DeliveriesScreen() {
  const { data, error } = useQuery({
    queryKey: ['deliveries', 'all'],
    queryFn: () => api<{ deliveries: DeliveryProgress[] }>('/api/deliveries'),
  });
  return (
    <main className="page">
      <h1 className="mb-3">
        Deliveries <WhatIs word="delivery" />
      </h1>
      {error && <p className="text-danger">{error.message}</p>}
      {data?.deliveries.length === 0 && (
        <div className="empty">
          <p>Nothing has been exported yet.</p>
          <Link href="/">Choose a batch</Link> to export it.
        </div>
      )}
      <div className="d-grid gap-2">
        {data?.deliveries.map((delivery) => (
          <div key={delivery.id} className="panel p-3">
            <DeliveryCard delivery={delivery} showBatch withLink />
          </div>
        ))}
      </div>
    </main>
  );
}
