import { RouterProvider, createBrowserRouter } from 'react-router';
import { Lost } from './Lost';
import { Shell } from './Shell';

const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Lost />,
    children: [
      { index: true, lazy: async () => ({ Component: (await import('../features/today/TodayScreen')).TodayScreen }) },
      {
        path: 'dogs',
        lazy: async () => ({ Component: (await import('../features/dogs/list/DogsScreen')).DogsScreen }),
      },
      {
        path: 'dogs/new',
        lazy: async () => ({ Component: (await import('../features/dogs/intake/IntakeScreen')).IntakeScreen }),
      },
      {
        path: 'dogs/:id',
        lazy: async () => ({ Component: (await import('../features/dogs/dog/DogScreen')).DogScreen }),
      },
      {
        path: 'dogs/:id/edit',
        lazy: async () => ({ Component: (await import('../features/dogs/intake/EditDogScreen')).EditDogScreen }),
      },
      {
        path: 'dogs/:id/history',
        lazy: async () => ({ Component: (await import('../features/dogs/history/HistoryScreen')).HistoryScreen }),
      },
      {
        path: 'dogs/:id/week',
        lazy: async () => ({ Component: (await import('../features/dogs/homeCare/WeekScreen')).WeekScreen }),
      },
      {
        path: 'owners',
        lazy: async () => ({ Component: (await import('../features/dogs/owners/OwnersScreen')).OwnersScreen }),
      },
      {
        path: 'owners/:id',
        lazy: async () => ({ Component: (await import('../features/dogs/owners/OwnerScreen')).OwnerScreen }),
      },
      {
        path: 'vets',
        lazy: async () => ({ Component: (await import('../features/dogs/vets/VetsScreen')).VetsScreen }),
      },
      {
        path: 'import',
        lazy: async () => ({ Component: (await import('../features/dogs/importing/ImportScreen')).ImportScreen }),
      },
      {
        path: 'methods',
        lazy: async () => ({ Component: (await import('../features/ways/methods/MethodsScreen')).MethodsScreen }),
      },
      {
        path: 'methods/:id',
        lazy: async () => ({ Component: (await import('../features/ways/methods/MethodScreen')).MethodScreen }),
      },
      {
        path: 'hours',
        lazy: async () => ({ Component: (await import('../features/ahead/hours/HoursScreen')).HoursScreen }),
      },
      {
        path: 'round',
        lazy: async () => ({ Component: (await import('../features/ahead/round/RoundScreen')).RoundScreen }),
      },
      { path: 'ahead', lazy: async () => ({ Component: (await import('../features/ahead/AheadScreen')).AheadScreen }) },
      {
        path: 'mixing',
        lazy: async () => ({ Component: (await import('../features/mixing/sums/MixingScreen')).MixingScreen }),
      },
      {
        path: 'mixing/morning',
        lazy: async () => ({ Component: (await import('../features/mixing/morning/MorningScreen')).MorningScreen }),
      },
      {
        path: 'mixing/products',
        lazy: async () => ({ Component: (await import('../features/mixing/shelf/ProductsScreen')).ProductsScreen }),
      },
      {
        path: 'mixing/products/:id',
        lazy: async () => ({ Component: (await import('../features/mixing/shelf/ProductScreen')).ProductScreen }),
      },
      {
        path: 'mixing/tools',
        lazy: async () => ({ Component: (await import('../features/mixing/shelf/ToolsScreen')).ToolsScreen }),
      },
      {
        path: 'mixing/stock',
        lazy: async () => ({ Component: (await import('../features/mixing/stock/StockScreen')).StockScreen }),
      },
      {
        path: 'mixing/costs',
        lazy: async () => ({ Component: (await import('../features/mixing/stock/CostsScreen')).CostsScreen }),
      },
      {
        path: 'mixing/trace',
        lazy: async () => ({ Component: (await import('../features/mixing/stock/TraceScreen')).TraceScreen }),
      },
      {
        path: 'watch/outbox',
        lazy: async () => ({ Component: (await import('../features/watch/messages/OutboxScreen')).OutboxScreen }),
      },
      { path: 'watch', lazy: async () => ({ Component: (await import('../features/watch/WatchScreen')).WatchScreen }) },
      {
        path: 'house/audit',
        lazy: async () => ({ Component: (await import('../features/ways/audit/AuditScreen')).AuditScreen }),
      },
      {
        path: 'house/clean-downs',
        lazy: async () => ({
          Component: (await import('../features/ways/cleanDowns/CleanDownScreen')).CleanDownScreen,
        }),
      },
      {
        path: 'house/rights',
        lazy: async () => ({ Component: (await import('../features/ways/rights/RightsScreen')).RightsScreen }),
      },
      {
        path: 'house/branches',
        lazy: async () => ({ Component: (await import('../features/ways/branches/BranchesScreen')).BranchesScreen }),
      },
      {
        path: 'house/people',
        lazy: async () => ({ Component: (await import('../features/ways/people/PeopleScreen')).PeopleScreen }),
      },
      {
        path: 'house/kept',
        lazy: async () => ({ Component: (await import('../features/ways/kept/KeptScreen')).KeptScreen }),
      },
      {
        path: 'house/tablets',
        lazy: async () => ({ Component: (await import('../features/ways/tablets/TabletsScreen')).TabletsScreen }),
      },
      {
        path: 'house/status',
        lazy: async () => ({ Component: (await import('../features/ways/status/StatusScreen')).StatusScreen }),
      },
      {
        path: 'house/words',
        lazy: async () => ({ Component: (await import('../features/ways/words/WordsScreen')).WordsScreen }),
      },
      {
        path: 'house',
        lazy: async () => ({ Component: (await import('../features/ways/ways/WaysScreen')).WaysScreen }),
      },
      {
        path: 'you',
        lazy: async () => ({ Component: (await import('../features/ways/you/YouScreen')).YouScreen }),
      },
      {
        path: 'visits/:id/sheet',
        lazy: async () => ({ Component: (await import('../features/table/sheet/SheetScreen')).SheetScreen }),
      },
      {
        path: 'visits/:id',
        lazy: async () => ({ Component: (await import('../features/table/TableScreen')).TableScreen }),
      },
      { path: '*', Component: Lost },
    ],
  },
  // Nobody is signed in yet: where an invitation leads, and where a business begins.
  {
    path: '/join',
    errorElement: <Lost />,
    HydrateFallback: () => null,
    lazy: async () => ({ Component: (await import('../features/door/JoinScreen')).JoinScreen }),
  },
  {
    path: '/begin',
    errorElement: <Lost />,
    HydrateFallback: () => null,
    lazy: async () => ({ Component: (await import('../features/door/BeginScreen')).BeginScreen }),
  },
]);

/** Every screen, by its address. */
export const Rooms = () => <RouterProvider router={router} />;
