export { OrdersPlace as default } from '../places/orders/OrdersPlace';
